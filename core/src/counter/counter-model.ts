import type { CounterSpool } from './paid-out';
import { payOut, withMoved } from './paid-out';
import type { SpoolSpread } from './counter-beliefs';

/** What of a counter and its spool is not known for sure, as the fit moves it: ln c, surface in mm, ln of e/W to what was believed. */
export type CounterVector = readonly [perTurn: number, surface: number, ratio: number];

/**
 * The spool a vector stands for. Only e/W tells in turns and radii, so the wound area of the top layer carries the doubt
 * of both; layers below keep theirs.
 *
 * @param moved metres wound on (or, below zero, taken off) since the first walk
 */
export function spoolOf(believed: CounterSpool, [, surface, ratio]: CounterVector, moved = 0): CounterSpool {
  const [top, ...below] = believed.layers;
  if (!top) return believed;
  const layers = [{ ...top, area: top.area * Math.exp(ratio) }, ...below];
  return withMoved({ ...believed, outer: Math.max(top.inner, surface), layers }, moved);
}

/** What the counter shows with a length out, in its unit. */
export const readingAt = (spool: CounterSpool, perTurn: number, length: number): number =>
  perTurn * payOut(spool, length).turns;

/** The surface at which the counter reads a length truly, mm; null where no surface between arbor and `most` does. */
export function levelFor(
  spool: CounterSpool,
  perTurn: number,
  { length, reading }: { readonly length: number; readonly reading: number },
  most: number,
): number | null {
  const [top] = spool.layers;
  if (!top) return null;
  // The fuller the spool, the more each turn lets out and the lower the counter reads. One that runs empty never reads low.
  const low = (outer: number): boolean => {
    const out = payOut({ ...spool, outer }, length);
    return out.length >= length - EMPTY && perTurn * out.turns < reading;
  };
  let from = top.inner;
  let to = most;
  if (low(from) || !low(to)) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (from + to) / 2;
    if (low(middle)) to = middle;
    else from = middle;
  }
  const level = (from + to) / 2;
  // Where the spool runs empty at the mark first, no level reads it truly.
  const reads = readingAt({ ...spool, outer: to }, perTurn, length);
  return Math.abs(reads - reading) <= 1e-3 * reading ? level : null;
}

/** Less line than this left out is none, m. */
const EMPTY = 1e-9;
/** Enough to part a spool's radius to a millionth of a millimetre. */
const HALVINGS = 40;

/** Standard deviation of a figure of a vector, by central differences over its covariance. */
export function spreadOf(
  figure: (vector: CounterVector) => number,
  vector: CounterVector,
  covariance: readonly (readonly number[])[],
): number {
  const gradient = vector.map((_, i) => {
    const step = 1e-4 * Math.max(1e-3, Math.sqrt(covariance[i]?.[i] ?? 0));
    const at = (by: number): number =>
      figure(vector.map((value, j) => (i === j ? value + by : value)) as unknown as CounterVector);
    return (at(step) - at(-step)) / (2 * step);
  });
  const variance = gradient.reduce(
    (sum, a, i) => sum + gradient.reduce((row, b, j) => row + a * b * (covariance[i]?.[j] ?? 0), 0),
    0,
  );
  return Math.sqrt(Math.max(0, variance));
}

/** What a spool's spread comes to as priors of a fit; never quite nothing, so that a fit can move. */
export const priorsOfSpread = ({ surface, ratio }: SpoolSpread): SpoolSpread => ({
  surface: Math.max(1e-6, surface),
  ratio: Math.max(1e-8, ratio),
});

/** A surface is looked for up to this many times the lip's radius: beyond it, nothing is a spool. */
export const FARTHEST = 3;
