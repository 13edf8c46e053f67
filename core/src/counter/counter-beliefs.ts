import type { CounterUnit } from './counter-unit';

/** What a counter shows: its unit, and the step it counts in. */
export interface CounterFace {
  readonly unit: CounterUnit;
  /** The least it counts by, in its unit. */
  readonly step: number;
}

/** What is believed of a counter before a walk: counter units to one spool turn, with a spread as a share of it. */
export interface CounterBelief {
  readonly perTurn: number;
  readonly sd: number;
  /** What it rests on: this reel's own walks, other reels of its kind, or how counters are usually set. */
  readonly from: 'reel' | 'kind' | 'usual';
}

/** A counter somebody has matched before: what it shows, where it was matched, and what was learned of it. */
export interface KnownCounter extends CounterBelief, CounterFace {
  /** The length it was matched at, m. */
  readonly match: number;
}

/** How unsure what a walk is read from is. All from memory, no source; the bench prints what they lead to. */
export const WALK_SD = {
  /** A counter shows whole steps: of a step, uniform within it (1/√12). */
  step: 0.2887,
  /** Rod tip against the mark and the same pull, m. */
  tip: 0.06,
  /** Tape and tension, as a share of the length. */
  tape: 0.001,
  /** Tape over the bench's line meter, as a share. */
  meter: 0.004,
} as const;

/** How unsure a spool is that was planned and counted here: its surface, mm, and wound area to width, as a share. */
export interface SpoolSpread {
  readonly surface: number;
  readonly ratio: number;
}

/** Counters are made to read true when their spool is nearly full: this far below the lip, mm, and how far off that may be. From memory. */
export const USUAL_LEVEL = { depth: 1.5, sd: 0.07 } as const;

/**
 * A trolling reel of which nothing is known: the worked reel of the trade's "about eight feet to the counter's foot at
 * 100 ft" (common practice, no source), and how far reels lie about it.
 */
export const UNKNOWN_SPOOL = {
  spool: { width: 25, outer: 20, lip: 21.5, layers: [{ inner: 10, area: 0.21206 }] },
  spread: { surface: 2, ratio: 0.25 },
} as const;
