import type { BenchAgent } from './bench-agent';
import { CountedBench } from './counted-bench';

/** A bench in the middle of a layer, as what goes wrong there needs it. */
export interface AtTheBench {
  readonly agent: BenchAgent;
  readonly bench: CountedBench;
  /** A number from 0 to below 1. */
  readonly chance: () => number;
  /** Asks the simulated counter. */
  readonly panel: (path: string) => Promise<void>;
  /** Turns are wound onto the layer. */
  readonly wind: (turns: number) => Promise<void>;
  /** Turns that were made already are the layer's: somebody says so. */
  readonly were: (turns: number) => void;
  /** Until what the counter shows has come to the page, and this holds. */
  readonly seen: (what: string, holds?: () => boolean) => Promise<void>;
  /** Until everything is saved, heard and answered. */
  readonly settled: () => Promise<void>;
  /** Something may be killed right now. */
  readonly mayKill: () => void;
  /** Counts that were not wound may be taken for wound: a hand could have wound them. */
  readonly allow: (turns: number) => void;
}

/** What goes wrong at a bench with a counter, once; what is asked is answered by `settled`. */
type Mishap = (at: AtTheBench) => Promise<void>;

/** A fault of the wire, or of the switch, that nobody is asked about. */
const harmless =
  (kind: string): Mishap =>
  async (at) => {
    await at.panel(`/fault?kind=${kind}`);
    await at.settled();
  };

/** Until all that was wound is answered for, seen and written down. */
async function written(at: AtTheBench): Promise<void> {
  await at.settled();
  await at.seen('the count is written down', () => at.agent.isCredited);
}

/** A hand could have wound so many in the moment in which a switch chatters. */
const BELIEVABLE = 24;

/**
 * One that somebody is asked about; the question is seen before anything else happens.
 *
 * @param then what happens while it stands
 * @param believable counts of it that a hand could have wound: those are counted, and nobody can tell
 */
const doubtful =
  (
    kind: string,
    { then, believable = 0 }: { readonly then?: Mishap; readonly believable?: number } = {},
  ): Mishap =>
  async (at) => {
    // What a counter forgets before anybody wrote it down is known to nobody.
    await written(at);
    at.allow(believable);
    await at.panel(`/fault?kind=${kind}`);
    await at.seen('the doubt is seen');
    await then?.(at);
    await at.settled();
  };

/** Wound on while the question stands, in lines of a few turns each. */
const woundOn =
  (turns: number): Mishap =>
  async (at) => {
    for (let left = turns; left > 0; left -= 3) {
      await at.wind(Math.min(3, left));
      if (at.chance() < 0.1) at.mayKill();
    }
    await at.seen('what was wound on is seen');
  };

/** The count is held, the handle goes on, and what it went on by is counted or left out. */
const held =
  ({ powerLost }: { readonly powerLost: boolean }): Mishap =>
  async (at) => {
    const { agent, chance } = at;
    // What it showed before its power was lost, nobody knows.
    const counted = !powerLost && chance() < 0.5;
    // Held once all that was wound is seen: what is wound unseen is no part of it.
    await written(at);
    agent.happen({ kind: 'held', payload: { on: true } });
    await at.seen('the count is held', () => agent.saved && agent.state().held);
    const turns = 4 + Math.floor(4 * chance());
    await at.panel(`/turn?n=${String(turns)}`);
    if (chance() < 0.3) at.mayKill();
    if (powerLost) await at.panel('/fault?kind=power');
    // Credited at once, it was not held: that is told, and nobody is asked.
    await at.seen('what went on meanwhile is asked about', () => agent.waits || agent.isCredited);
    if (counted) at.were(turns);
    if (agent.waits && agent.odd === '') agent.claim(counted);
    await at.settled();
    if (agent.state().held) agent.happen({ kind: 'held', payload: { on: false } });
    await at.settled();
  };

/** Its name is another one from now on: in the device first, or in how the bench is set up. */
const renamed: Mishap = async (at) => {
  const name = at.bench.nextName();
  const both = [() => at.panel(`/rename?name=${name}`), () => at.bench.change({ name })];
  for (const change of at.chance() < 0.5 ? both : both.reverse()) {
    await change();
    await at.wind(3);
  }
  await at.settled();
};

/** Where it is is written otherwise from now on, and somebody sets it up at another bench as well. */
const spelledOtherwise: Mishap = async (at) => {
  await at.bench.change({ address: CountedBench.otherSpelling(await at.bench.device()) });
  await at.wind(3);
  await at.bench.atTwoBenches();
  await at.settled();
};

/** What goes wrong, by its name. */
export const MISHAPS: Readonly<Record<string, Mishap>> = {
  'bounces there and back': harmless('jitter'),
  'lines lost': harmless('drop'),
  'half a line': harmless('half'),
  'lines repeated': harmless('repeat'),
  'an older line': harmless('older'),
  rubbish: harmless('rubbish'),
  'a jump': doubtful('jump'),
  'a jump, wound on': doubtful('jump', { then: woundOn(7) }),
  'power lost': doubtful('power'),
  'power lost, wound on': doubtful('power', { then: woundOn(30) }),
  'a switch that chatters': doubtful('chatter', { believable: BELIEVABLE }),
  'a count held': held({ powerLost: false }),
  'a count held, power lost': held({ powerLost: true }),
  'another name': renamed,
  'another spelling': spelledOtherwise,
};
