/** What is kept with the address of a page that came up because a reel was just filled. */
export interface JustFilled {
  readonly filled: true;
}

/** What a tour sees of the page it leads over. */
export interface SeenPage {
  /** The address within the application. */
  readonly url: string;
  readonly has: (selector: string) => boolean;
  /** Whether it is the demo, whose benches and reels are known. */
  readonly demo: boolean;
  /** Whether it came up because a reel was just filled. */
  readonly filled: boolean;
  /** What is typed into a field; empty where there is none. */
  readonly typed: (selector: string) => string;
}

/** One step of a tour over the real screens: what to do, and how it is seen that it was done. */
export interface TourStep {
  readonly say: string;
  /** What helps beside it in the demo, whose people and reels are known. */
  readonly demo?: string;
  /** What is to be used, marked on the screen; in the demo, where it is known better, the second. */
  readonly mark?: string;
  readonly demoMark?: string;
  /** Where it is done, and the way there for whoever is elsewhere. */
  readonly at: RegExp;
  readonly way: string;
  /** Whether the simulated counter is needed for it. */
  readonly turns?: boolean;
  readonly done: (page: SeenPage) => boolean;
}

export interface Tour {
  readonly id: string;
  /** What it is called in the demo, and in a shop. */
  readonly demoName: string;
  readonly name: string;
  readonly steps: readonly TourStep[];
  /** Said when all was done. */
  readonly end: string;
}

const BAG = /^\/bags\/\d+$/;
const BOOKING = /^\/bags\/new/;
const BENCH = /^\/bench$/;
const RUN = /^\/bench\/\d+/;

/** Closed from its last step, which leads on to its own page, or looked at once it is. */
const isClosed = ({ has, filled }: SeenPage): boolean => filled || has('ys-closed-reel');

const booking: Tour = {
  id: 'book',
  demoName: 'Book in three reels',
  name: 'Book reels in',
  steps: [
    {
      say: 'Book a bag in from here.',
      mark: 'a[href="/bags/new"]',
      at: /^\/(bags|day)$/,
      way: '/day',
      done: ({ url }) => url.startsWith('/bags/new'),
    },
    {
      say: 'Whose reels are they? Three letters of a name that was here before are enough; Enter takes it. Any other name is a new customer.',
      demo: 'Try “Wen”.',
      mark: '#customer',
      at: BOOKING,
      way: '/bags/new',
      done: ({ typed }) => typed('#customer').length >= 3,
    },
    {
      say: 'Which reel? Take one they have had before, scan its tag, or type what it is called: a kind the shop knows brings its figures along.',
      demo: 'Try “sker”, then Enter.',
      mark: '#reel',
      at: BOOKING,
      way: '/bags/new',
      done: ({ typed }) => typed('#reel').length >= 3,
    },
    {
      say: 'Say the line and how much of it, as people say it: 120 m, half, the whole pack, as much as fits. The plan beside it follows each key. Go on until it can be booked in.',
      demo: 'Try “clear 0.26”, Tab, then 120; for the backing “st”, Tab.',
      mark: 'ys-book-in [data-test=not-ready]',
      at: BOOKING,
      way: '/bags/new',
      done: ({ has }) => has('ys-book-in .go:not(:disabled)'),
    },
    {
      say: 'Two more of the same: “Copy this reel”, twice.',
      mark: '[aria-keyshortcuts="Alt+L"]',
      at: BOOKING,
      way: '/bags/new',
      done: ({ has }) => has('[aria-label="Reel 3 of the bag"]'),
    },
    {
      say: 'Book all of them in. Each gets a tag, and its line is promised off the rack.',
      mark: 'ys-book-in .go',
      at: BOOKING,
      way: '/bags/new',
      done: ({ url }) => BAG.test(url),
    },
  ],
  end: 'That is their bag. Its tags and its claim slip go on paper from here, and each reel goes to the bench when its turn comes.',
};

const filling: Tour = {
  id: 'fill',
  demoName: 'Fill the one on bench 2 with its simulated counter',
  name: 'Fill a reel',
  steps: [
    {
      say: 'Say which bench this computer is at: it is kept on the computer.',
      demo: 'Choose Bench 2.',
      mark: 'ys-bench-list ys-pick-field input',
      at: BENCH,
      way: '/bench',
      done: ({ url, typed, demo }) => {
        const bench = typed('ys-bench-list ys-pick-field input');
        return RUN.test(url) || (demo ? bench === 'Bench 2' : bench !== '');
      },
    },
    {
      say: 'Take a reel up: one that is on a bench, or the next one that waits.',
      demo: 'Take the one at Bench 2.',
      mark: 'ys-bench-list li a',
      demoMark: '[data-bench="Bench 2"] a',
      at: BENCH,
      way: '/bench',
      done: ({ url }) => RUN.test(url),
    },
    {
      say: 'Each step says what to do; Enter when it is done. Go on until the first layer is wound.',
      mark: 'ys-bench-actions [data-act=Enter]',
      at: RUN,
      way: '/bench',
      done: ({ has }) => has('ys-winding-count'),
    },
    {
      say: 'The big number is what is left to wind. A counter counts by itself; without one, Space counts ten turns and + one. Wind until it is zero.',
      demo: 'Open the simulated counter beside this page and let it wind.',
      turns: true,
      mark: 'ys-winding-count',
      at: RUN,
      way: '/bench',
      done: ({ has }) => has('ys-winding-count .text-stop'),
    },
    {
      say: 'Enter ends the layer. T looks for twist, L at how it lies, D takes a depth. Go on through the steps until the reel is closed.',
      turns: true,
      mark: 'ys-bench-actions [data-act=Enter]',
      at: RUN,
      way: '/bench',
      done: isClosed,
    },
  ],
  end: 'It is filled: what went on stands in its record, and its line is off the rack.',
};

const matching: Tour = {
  id: 'match',
  demoName: 'Match the Grey Petrel’s counters',
  name: 'Match a set of counters',
  steps: [
    {
      say: 'Take up a counter reel that is wound and waits for its walk.',
      demo: 'The Grey Petrel’s stands at Bench 1: a Holmtroll 30 counter of Bastian Okerlind.',
      mark: 'ys-bench-list li a',
      demoMark: '[data-reel*="counter"] a',
      at: BENCH,
      way: '/bench',
      done: ({ url }) => RUN.test(url),
    },
    {
      say: 'Walk the line out to the tape’s mark, read the counter and type what it shows.',
      demo: 'Try 25 at the mark of 24.',
      mark: 'ys-counter-match-panel input',
      at: RUN,
      way: '/bench',
      done: ({ has }) => has('[data-test=counter-answer]'),
    },
    {
      say: 'It says how much line to add or to take off, and when that is enough. Do it, walk once more and type what the counter shows now. Go on until it agrees, or leave it with its table.',
      demo: 'The second time, try 24.',
      mark: '[data-test=counter-answer]',
      at: RUN,
      way: '/bench',
      done: ({ has }) => !has('ys-counter-match-panel'),
    },
    {
      say: 'Now it is cut and closed like any other. Go on to the end.',
      mark: 'ys-bench-actions [data-act=Enter]',
      at: RUN,
      way: '/bench',
      done: isClosed,
    },
    {
      say: 'Counters that are fished together are compared: on the page of one of those reels, press “Reels used as a set”.',
      demo: 'From elsewhere: look for “Holmtroll” and open one of Bastian Okerlind’s.',
      mark: 'a[href^="/reels/set/"]',
      at: /^\/reels/,
      way: '/reels',
      done: ({ url }) => url.startsWith('/reels/set/'),
    },
  ],
  end: 'Here stands what each of them shows for the same line. Its sheet goes on paper for the boat.',
};

/** The tours, in the order they are offered. */
export const TOURS: readonly Tour[] = [booking, filling, matching];
