import { ALL_WAITING, PAPERS, TO_ORDER, TODAY, type Paper } from '@yard-spool/contract';

/** What each paper is called, and what it is for. */
export const PAPER_NAMES: Readonly<Record<Paper, readonly [name: string, use: string]>> = {
  tag: ['Tag', 'Hangs on the reel: its code for a scanner and for people, and what is on it.'],
  'claim-slip': ['Claim slip', 'For the customer, while their reels are here.'],
  'cut-list': ['Cut list', 'For the bench: what is wound on, reel by reel, from the arbor out.'],
  'set-out': ['What to set out', 'The pieces to fetch before the bench is begun, by where they lie.'],
  'hand-back': ['Hand-back slip', 'Goes with the reels: what is on each, how to bed it in, when it is due.'],
  'set-sheet': ['Sheet for the boat', 'What the counters of reels fished together show at true lengths.'],
  gauge: ['Depth gauge', 'Strips to cut out, true to scale, with each reel’s join and stop marked.'],
  'tape-marks': ['Tape marks', 'Flags to fold round the tape for a counter walk.'],
  'order-list': ['Order', 'What a supplier is asked for, with what it should cost.'],
  'running-order': ['Running order', 'What is done today at each bench, in order, for whoever stands there.'],
};

/** Papers about the same thing, this one among them. */
export const papersLike = (what: Paper, of: string): readonly Paper[] =>
  of === TODAY
    ? ['running-order', 'set-out', 'cut-list']
    : of === ALL_WAITING
      ? ['cut-list', 'set-out']
      : (Object.keys(PAPERS) as Paper[]).filter((one) => PAPERS[one] === PAPERS[what]);

/** The page of what a paper is about. */
export const pageOf = (what: Paper, of: string): readonly string[] =>
  of === TO_ORDER
    ? ['/rack/order']
    : of === TODAY
      ? ['/day']
      : of === ALL_WAITING || of.startsWith('any-')
        ? ['/bags']
        : {
            day: ['/day'],
            rack: ['/rack'],
            reel: ['/reels', of],
            bag: ['/bags', of],
            customer: ['/reels/customer', of],
          }[PAPERS[what]];
