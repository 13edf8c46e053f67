/** A stretch of time in which somebody is there, or the shop is open, minutes. */
export type Span = readonly [from: number, to: number];

/** What is done: a piece into and out of the tub, and what a reel goes through until it is on the shelf. */
export const OPERATIONS = ['soak', 'out', 'strip', 'fill', 'walk', 'relief', 'check', 'shelf'] as const;
export type OperationKind = (typeof OPERATIONS)[number];

/** Where it is done. Only a bench takes one thing at a time; everything takes a person. */
export const DONE_AT = {
  soak: 'tub',
  out: 'tub',
  strip: 'bench',
  fill: 'bench',
  walk: 'field',
  relief: 'bench',
  check: 'counter',
  shelf: 'counter',
} as const satisfies Readonly<Record<OperationKind, 'tub' | 'bench' | 'field' | 'counter'>>;

/** That something begins only when another has ended, and how long after. */
export interface After {
  readonly id: string;
  /** Minutes that have to lie between: a soak. */
  readonly least: number;
  /** Minutes that may lie between: line is wound wet, or comes out before it has lain too long. */
  readonly most: number;
}

/** One thing to do, by somebody, somewhere. Times are minutes from any one moment. */
export interface Operation {
  readonly id: string;
  readonly kind: OperationKind;
  /** Reels it is done to; none where it is done to a piece. */
  readonly reels: readonly string[];
  /** Bags that wait for it. */
  readonly bags: readonly string[];
  /** Pieces that are wound from, or soaked: each is in one place at a time. */
  readonly pieces: readonly string[];
  /** How long it takes, as it usually is, and by how much that scatters (one standard deviation). */
  readonly minutes: number;
  readonly sd: number;
  readonly after: readonly After[];
  /** Not before this: line that is on order, a bag that is not here yet, or put off. */
  readonly earliest: number;
  /** Only at this bench, or by this person. */
  readonly bench?: string;
  readonly person?: string;
  /** When it began, where that is past: it is not moved any more. Otherwise what it is pinned to: it is placed first. */
  readonly at?: number;
}

export interface DayBag {
  readonly id: string;
  /** When it was promised. */
  readonly due: number;
  /** The order in which bags came in: the smaller came first. */
  readonly came: number;
}

export interface DayPerson {
  readonly id: string;
  readonly hours: readonly Span[];
}

/** Everything a day is planned from. */
export interface Day {
  readonly now: number;
  /** When the shop is open, in order; what does not fit into the longest of them runs over. */
  readonly hours: readonly Span[];
  readonly benches: readonly string[];
  readonly people: readonly DayPerson[];
  readonly bags: readonly DayBag[];
  readonly operations: readonly Operation[];
}

/** Minutes it takes to change one supply for another; from memory. */
export const CHANGE_MINUTES = 2;
/** Minutes out to the field and back, for one walk or for ten in a row; from memory. */
export const OUTING_MINUTES = 8;

/** An operation with its place in the day. */
export interface Placed {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  /** Its bench; empty where it is done elsewhere. */
  readonly bench: string;
  readonly person: string;
  /** Supplies put on for it that the bench did not have. */
  readonly changes: number;
  /** Whether it opens an outing to the field. */
  readonly outing: boolean;
  /** How far off its end may be, one standard deviation: what lies before it scatters too. */
  readonly sd: number;
}

/** A bag's time in hand. */
export interface BagInHand {
  readonly id: string;
  readonly due: number;
  /** When it is on the shelf, as things usually go. */
  readonly end: number;
  /** By when it is there nine times in ten. */
  readonly surely: number;
  /** The chance that it is late, 0 to 1. */
  readonly risk: number;
}

/** A day in order: what is done when, and what it comes to. */
export interface DayPlan {
  /** In order of time. */
  readonly placed: readonly Placed[];
  readonly bags: readonly BagInHand[];
  readonly score: Score;
}

/**
 * What a day comes to, worst first: a smaller number at an earlier place counts for more than anything behind it.
 */
export interface Score {
  /** Line wound too late after its soak, or left too long in the water. */
  readonly dried: number;
  readonly broken: number;
  /** Minutes over all broken promises. */
  readonly late: number;
  /** Bags that are not sure to be there in nine days of ten. */
  readonly unsure: number;
  /** The chances of breaking one, added up, in hundredths. */
  readonly risk: number;
  readonly changes: number;
  readonly outings: number;
  /** When the last of it is done. */
  readonly finish: number;
}
