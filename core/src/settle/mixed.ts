import { chanceBelow, NINETIETH } from '../numeric/normal';
import type { Ranged } from '../numeric/ranged';

/** A figure as one account of what happened has it, and how likely that account is beside the others. */
export interface Account {
  readonly figure: Ranged;
  /** Of all accounts together 1. */
  readonly weight: number;
}

/** Halvings until a quantile is found to a billionth of where it is looked for. */
const HALVINGS = 40;

/**
 * One figure from several accounts of it: the middle and the 10th and 90th percentile of their mixture, so that a range
 * reaches as far as any account that is not excluded.
 *
 * @param accounts one at least
 * @param floor what it cannot be below
 */
export function mixed(accounts: readonly Account[], floor = -Infinity): Ranged {
  const spreads = accounts.map(({ figure: { value, high }, weight }) => ({
    value,
    sd: Math.max(1e-9, (high - value) / NINETIETH),
    weight,
  }));
  const from = Math.min(...spreads.map(({ value, sd }) => value - 6 * sd));
  const to = Math.max(...spreads.map(({ value, sd }) => value + 6 * sd));
  const below = (at: number): number =>
    spreads.reduce((all, { value, sd, weight }) => all + weight * chanceBelow((at - value) / sd), 0);
  const quantile = (share: number): number => {
    let low = from;
    let high = to;
    for (let i = 0; i < HALVINGS; i += 1) {
      const at = (low + high) / 2;
      if (below(at) < share) low = at;
      else high = at;
    }
    return Math.max(floor, (low + high) / 2);
  };
  const mean = spreads.reduce((all, { value, weight }) => all + weight * value, 0);
  const variance = spreads.reduce(
    (all, { value, sd, weight }) => all + weight * (sd ** 2 + (value - mean) ** 2),
    0,
  );
  return { value: quantile(0.5), sd: Math.sqrt(variance), low: quantile(0.1), high: quantile(0.9) };
}
