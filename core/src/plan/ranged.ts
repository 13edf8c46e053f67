/** A figure with its likely range: 10th to 90th percentile, by linear propagation. */
export interface Ranged {
  readonly value: number;
  /** One standard deviation. */
  readonly sd: number;
  readonly low: number;
  readonly high: number;
}

/** Standard normal quantile of 0.9. */
const NINETIETH = 1.2815515655446004;

/** A figure with its range, clipped at `floor` where less is impossible. */
export const ranged = (value: number, sd: number, floor = -Infinity): Ranged => ({
  value,
  sd,
  low: Math.max(floor, value - NINETIETH * sd),
  high: Math.max(floor, value + NINETIETH * sd),
});
