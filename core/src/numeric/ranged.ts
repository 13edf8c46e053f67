import { NINETIETH } from './normal';

/** A figure with its likely range: 10th to 90th percentile, by linear propagation. */
export interface Ranged {
  readonly value: number;
  /** One standard deviation. */
  readonly sd: number;
  readonly low: number;
  readonly high: number;
}

/** A figure with its range, clipped at `floor` where less is impossible. */
export const ranged = (value: number, sd: number, floor = -Infinity): Ranged =>
  within(value, sd, floor, NINETIETH);

/**
 * Reels and lines are made otherwise than believed: with ranges this much wider than their propagation, eight in ten true
 * values lie inside in worlds that are not the beliefs' own (see `bench/coverage.ts`); without, seventy-eight in a hundred.
 */
const OTHERWISE = 1.06;

/** A figure that follows from a spool, with its range: wide enough for spools that are not as believed. */
export const spoolRanged = (value: number, sd: number, floor = -Infinity): Ranged =>
  within(value, sd, floor, NINETIETH * OTHERWISE);

/**
 * A figure of a spool that cannot be below zero, from one that may have come out there: cut off at zero, but with the range
 * the uncut one has above it. More than fits by a little still leaves room for some on a spool a little larger.
 */
export const cutOff = (free: number, sd: number): Ranged => ({
  ...spoolRanged(free, sd, 0),
  value: Math.max(0, free),
});

const within = (value: number, sd: number, floor: number, reach: number): Ranged => ({
  value,
  sd,
  low: Math.max(floor, value - reach * sd),
  high: Math.max(floor, value + reach * sd),
});
