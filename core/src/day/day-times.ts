import { REEL_TRAITS, type ReelType } from '../lines/reel-type';

/** How long something takes, minutes, and how far off that usually is (one standard deviation). */
export interface Takes {
  readonly minutes: number;
  readonly sd: number;
}

/** What is known of a fill before it is wound. */
export interface FillAhead {
  readonly type: ReelType;
  /** Handle turns over all layers. */
  readonly turns: number;
  /** Lines that are wound on. */
  readonly layers: number;
  /** Whether a device counts: nobody stops to count or to write down. */
  readonly counted: boolean;
}

/** A fill of the shop's own that is done: what was known of it, and how long hands were on it, minutes. */
export interface FillDone extends FillAhead {
  readonly took: number;
}

/** What a bench takes before it knows a shop; all from memory. */
const MOUNT_MINUTES = 5;
const LAYER_MINUTES = 3;
/** A reel whose spool turns is guided by hand, layer by layer. */
const GUIDED_MINUTES = 3;
/** Handle turns a minute, over a whole layer: where a device counts, and where somebody counts. */
const TURNS_A_MINUTE = { counted: 80, byHand: 60 };
/** How far off a guess may be before anything is known: as a share of itself; and how far two alike fills differ. */
const GUESS_SPREAD = 0.35;
const FILL_SPREAD = 0.3;
/** How much one type may differ from another, beside what the shop as a whole is faster or slower by. */
const TYPE_SPREAD = 0.2;

/** What is done beside a fill; from memory. */
export const USUAL_TAKES = {
  soak: { minutes: 3, sd: 1 },
  out: { minutes: 3, sd: 1 },
  strip: { minutes: 6, sd: 2 },
  walk: { minutes: 10, sd: 3 },
  relief: { minutes: 8, sd: 3 },
  check: { minutes: 4, sd: 1.5 },
  shelf: { minutes: 3, sd: 1 },
} as const satisfies Readonly<Record<string, Takes>>;

/** Minutes a fill takes, from memory, before the shop's own are known. */
export function guessedMinutes({ type, turns, layers, counted }: FillAhead): number {
  const rate = counted ? TURNS_A_MINUTE.counted : TURNS_A_MINUTE.byHand;
  return (
    MOUNT_MINUTES +
    (REEL_TRAITS[type].windsRound ? 0 : GUIDED_MINUTES) +
    LAYER_MINUTES * layers +
    turns / rate
  );
}

/** How much longer or shorter than guessed a shop's fills take, by type of reel, and one of a type it has not filled. */
export interface DayTimes {
  readonly anyType: Belief;
  readonly types: Readonly<Partial<Record<ReelType, Belief>>>;
}

/** A logarithm of a factor, and its variance. */
interface Belief {
  readonly value: number;
  readonly variance: number;
}

const USUAL_SHOP: Belief = { value: 0, variance: GUESS_SPREAD ** 2 };

export const USUAL_TIMES: DayTimes = {
  anyType: { value: 0, variance: GUESS_SPREAD ** 2 + TYPE_SPREAD ** 2 },
  types: {},
};

/**
 * What a shop's own fills say of how long the next one takes: one factor for the shop, one for each type of reel beside
 * it, each as sure as there are fills for it. A fill ten times off was left standing, and says nothing.
 */
export function learnTimes(fills: readonly FillDone[]): DayTimes {
  const seen = fills
    .map((fill) => ({ type: fill.type, off: Math.log(fill.took / guessedMinutes(fill)) }))
    .filter(({ off }) => Math.abs(off) < MOST_OFF);
  // Fills of one type say little more of the shop than one of them does: what the type differs by is in all of them.
  const means = [...new Set(seen.map(({ type }) => type))].map((type) => {
    const own = seen.filter((one) => one.type === type);
    const value = own.reduce((all, { off }) => all + off, 0) / own.length;
    return { type, value, variance: FILL_SPREAD ** 2 / own.length };
  });
  const types: Partial<Record<ReelType, Belief>> = {};
  for (const mean of means) {
    const others = shopOf(means.filter((one) => one !== mean));
    types[mean.type] = withReading(anyTypeOf(others), mean);
  }
  return { anyType: anyTypeOf(shopOf(means)), types };
}

/** What means of types say of the shop as a whole. */
const shopOf = (means: readonly Belief[]): Belief =>
  means.reduce(
    (belief, { value, variance }) => withReading(belief, { value, variance: variance + TYPE_SPREAD ** 2 }),
    USUAL_SHOP,
  );

/** A type nothing is known of, in a shop of which something is. */
const anyTypeOf = ({ value, variance }: Belief): Belief => ({ value, variance: variance + TYPE_SPREAD ** 2 });

const MOST_OFF = Math.log(4);

/** A belief after a reading of it. */
function withReading(prior: Belief, reading: Belief): Belief {
  const sharpness = 1 / prior.variance + 1 / reading.variance;
  const value = (prior.value / prior.variance + reading.value / reading.variance) / sharpness;
  return { value, variance: 1 / sharpness };
}

/** How long a fill is likely to take: the mean of a factor that scatters, and its standard deviation. */
export function fillTakes(ahead: FillAhead, { anyType, types }: DayTimes = USUAL_TIMES): Takes {
  const factor = types[ahead.type] ?? anyType;
  const variance = factor.variance + FILL_SPREAD ** 2;
  const minutes = guessedMinutes(ahead) * Math.exp(factor.value + variance / 2);
  return { minutes, sd: minutes * Math.sqrt(Math.exp(variance) - 1) };
}
