import type { Line } from '../lines/line';
import { isWithin } from '../numeric/bounded';
import { factorise, invertPositive, solveFactorised } from '../numeric/positive';
import type { Belief } from '../spool/priors';
import { usualPrintSd } from '../spool/parameters';
import { isMeter } from '../spool/factors';
import { METER_SD, STARTING_PRIORS } from '../spool/priors';
import type { Lesson } from './lesson';

/** A lesson with whose it was: the kind of reel, and who wound it under which tension school. */
export interface ShopLesson extends Lesson {
  readonly kind: string;
  readonly hand: string;
}

/** One thing learned: what is believed of it now, and how many fills that rests on. */
export interface Learned {
  readonly key: string;
  readonly belief: Belief;
  readonly fills: number;
}

/** What a shop has learned from its closed fills. */
export interface ShopLearning {
  /** Packing by kind of reel, as this shop's people wind it. */
  readonly kinds: readonly Learned[];
  /** Bulk by line. */
  readonly lines: readonly Learned[];
  /** How much denser than the shop's usual somebody winds; 1 is as usual. */
  readonly hands: readonly Learned[];
  /** True diameter over the one a print stands for, by print system and material; and each line meter's scale. */
  readonly prints: readonly Learned[];
  /** How much spools of one kind differ in packing, one standard deviation, ln. */
  readonly spread: number;
}

/** How far kinds, hands and single spools lie from the usual packing, ln; together the usual 10 %. From memory. */
const SPREAD: Readonly<Record<'kind' | 'hand' | 'spool', number>> = { kind: 0.08, hand: 0.045, spool: 0.04 };
/** As many fills as the usual spread of spools counts for. */
const SPREAD_WEIGHT = 12;

/**
 * Learns packing by kind and by hand and bulk by line together, since each fill shows only their sum: one ridge regression
 * of all lessons, each belief a row of its own, so that a line met on many kinds takes the part that follows it around and
 * a kind the part that stays with it.
 */
export function learnShop(lessons: readonly ShopLesson[]): ShopLearning {
  const used = lessons.filter(isSound);
  const kinds = countBy(used.map(({ kind }) => kind));
  const hands = countBy(used.map(({ hand }) => hand));
  const lines = countBy(used.flatMap((one) => one.lines.map(({ key }) => key)));
  const names = [
    ...[...kinds.keys()].map((key) => ({ key, sd: SPREAD.kind })),
    ...[...hands.keys()].map((key) => ({ key, sd: SPREAD.hand })),
    ...[...lines.keys()].map((key) => ({ key, sd: bulkSd(used, key) })),
  ];
  const firstHand = kinds.size;
  const firstLine = kinds.size + hands.size;
  const places = {
    kind: placesOf(kinds, 0),
    hand: placesOf(hands, firstHand),
    line: placesOf(lines, firstLine),
  };
  const rows = used.map((lesson): Row => ({
    value: lesson.value,
    variance: 1 / lesson.precision,
    slope: [
      [places.kind.get(lesson.kind) ?? 0, 1],
      [places.hand.get(lesson.hand) ?? 0, 1],
      ...lesson.lines.map(({ key, share }): [number, number] => [places.line.get(key) ?? 0, -share]),
    ],
  }));
  const spread = spreadOf(rows, names);
  const { mean, covariance } = regress(rows, names, spread);
  const usualHand = weighted(hands, (key) => mean[places.hand.get(key) ?? 0] ?? 0);
  const variance = (at: number): number => covariance[at]?.[at] ?? 0;
  return {
    kinds: [...kinds].map(([key, fills]) => {
      const at = places.kind.get(key) ?? 0;
      const packing = STARTING_PRIORS.packing.median * Math.exp((mean[at] ?? 0) + usualHand);
      return learned(key, packing, Math.sqrt(variance(at) + SPREAD.hand ** 2 / 4 + spread ** 2), fills);
    }),
    hands: [...hands].map(([key, fills]) => {
      const at = places.hand.get(key) ?? 0;
      return learned(key, Math.exp((mean[at] ?? 0) - usualHand), Math.sqrt(variance(at)), fills);
    }),
    lines: [...lines].map(([key, fills]) => {
      const at = places.line.get(key) ?? 0;
      return learned(key, bulkMedian(used, key) * Math.exp(mean[at] ?? 0), Math.sqrt(variance(at)), fills);
    }),
    prints: learnPrints(lessons),
    spread,
  };
}

/** Lessons are kept in files and rows: one that says what none can say is passed over. */
const isSound = ({ precision, value, lines }: ShopLesson): boolean =>
  isWithin(precision, 1e-6, 1e9) &&
  isWithin(value, -3, 3) &&
  lines.length > 0 &&
  lines.every(({ share }) => isWithin(share, 0, 1));

const learned = (key: string, median: number, sd: number, fills: number): Learned => ({
  key,
  belief: { median, sd },
  fills,
});

function countBy(keys: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const key of keys) counts.set(key, (counts.get(key) ?? 0) + 1);
  return counts;
}

const placesOf = (names: ReadonlyMap<string, number>, first: number): Map<string, number> =>
  new Map([...names.keys()].map((key, i) => [key, first + i]));

const materialOf = (lessons: readonly Lesson[], key: string): Line['material'] =>
  lessons.flatMap(({ lines }) => lines).find((line) => line.key === key)?.material ?? 'nylon';
const bulkSd = (lessons: readonly Lesson[], key: string): number =>
  STARTING_PRIORS.bulk[materialOf(lessons, key)].sd;
const bulkMedian = (lessons: readonly Lesson[], key: string): number =>
  STARTING_PRIORS.bulk[materialOf(lessons, key)].median;

function weighted(counts: ReadonlyMap<string, number>, valueOf: (key: string) => number): number {
  let sum = 0;
  let all = 0;
  for (const [key, count] of counts) {
    sum += count * valueOf(key);
    all += count;
  }
  return all > 0 ? sum / all : 0;
}

interface Row {
  readonly value: number;
  readonly variance: number;
  readonly slope: readonly (readonly [place: number, by: number])[];
}

interface Regression {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

/** Normal equations of all rows and beliefs; every spool differs from its kind by `spread`. */
function regress(
  rows: readonly Row[],
  names: readonly { readonly sd: number }[],
  spread: number,
): Regression {
  const size = names.length;
  if (size === 0) return { mean: [], covariance: [] };
  const normal = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (__, j) => (i === j ? 1 / (names[i]?.sd ?? 1) ** 2 : 0)),
  );
  const right = new Array<number>(size).fill(0);
  for (const { value, variance, slope } of rows) {
    const weight = 1 / (variance + spread ** 2);
    for (const [i, by] of slope) {
      right[i] = (right[i] ?? 0) + weight * by * value;
      for (const [j, other] of slope) {
        const line = normal[i];
        if (line) line[j] = (line[j] ?? 0) + weight * (by * other);
      }
    }
  }
  // With a belief of its own for each unknown the matrix always is positive definite.
  const lower = factorise(normal) ?? [];
  return { mean: solveFactorised(lower, right), covariance: invertPositive(normal) ?? [] };
}

/** How much spools of one kind differ, from what the first regression leaves over, with the usual as some fills' worth. */
function spreadOf(rows: readonly Row[], names: readonly { readonly sd: number }[]): number {
  const { mean } = regress(rows, names, SPREAD.spool);
  let sum = SPREAD_WEIGHT * SPREAD.spool ** 2;
  let weight = SPREAD_WEIGHT;
  for (const { value, variance, slope } of rows) {
    // A fill that hardly says anything hardly says how much spools differ.
    const share = SPREAD.spool ** 2 / (SPREAD.spool ** 2 + variance);
    const left = value - slope.reduce((total, [at, by]) => total + by * (mean[at] ?? 0), 0);
    sum += share * Math.max(0, left ** 2 - variance);
    weight += share;
  }
  return Math.sqrt(sum / weight);
}

/** What wear and wet line leave between two fills over one meter, as a share. From memory. */
const METER_DRIFT = 0.002;

/** Print systems and line meters stand alone: each fill of a spool printed so says how thick its lines truly were. */
function learnPrints(lessons: readonly Lesson[]): Learned[] {
  const names = countBy(lessons.flatMap(({ prints }) => prints.map(({ name }) => name)));
  return [...names].map(([key, fills]) => {
    const sd = isMeter(key) ? METER_SD : usualPrintSd(key);
    // Makers differ in what they call a strength: one spool says no more than half of that away. A meter is one thing.
    const apart = isMeter(key) ? METER_DRIFT : sd / 2;
    let precision = 1 / sd ** 2;
    let sum = 0;
    for (const { prints } of lessons)
      for (const one of prints) {
        if (one.name !== key || !isWithin(one.precision, 1e-6, 1e9) || !isWithin(one.value, -2, 2)) continue;
        const weight = 1 / (1 / one.precision + apart ** 2);
        precision += weight;
        sum += weight * one.value;
      }
    return learned(key, Math.exp(sum / precision), Math.sqrt(1 / precision + apart ** 2), fills);
  });
}
