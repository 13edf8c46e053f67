import type { Cause, FaultReel } from './cause';
import { CAUSES_OF_FILLING } from './causes-of-filling';
import { CAUSES_OF_USE } from './causes-of-use';

/** Every cause there is: a table for people of the trade to read and correct. Common practice, no source. */
const CAUSES = { ...CAUSES_OF_FILLING, ...CAUSES_OF_USE } as const;

export type FaultCause = keyof typeof CAUSES;

export const FAULT_CAUSES = Object.keys(CAUSES) as [FaultCause, ...FaultCause[]];

export const causeOf = (key: FaultCause): Cause => CAUSES[key];

/** How often each cause is behind a comeback of such a reel, as shares that add up to one; causes it cannot have left out. */
export function authoredRates(reel: FaultReel): ReadonlyMap<FaultCause, number> {
  const rates = FAULT_CAUSES.map((key) => [key, causeOf(key).rate(reel)] as const).filter(
    ([, rate]) => rate > 0,
  );
  const total = rates.reduce((sum, [, rate]) => sum + rate, 0);
  return new Map(rates.map(([key, rate]) => [key, rate / total]));
}

/** Cases the authored table counts as, beside those a shop has seen. Common practice, no source. */
const AUTHORED_CASES = 20;

/**
 * Rates of a shop: the authored ones, moved by what its own comebacks turned out to be (Dirichlet, the authored table
 * counting as twenty cases).
 *
 * @param seen how often each turned out to be so on such reels
 */
export function shopRates(
  authored: ReadonlyMap<FaultCause, number>,
  seen: Readonly<Partial<Record<FaultCause, number>>>,
): ReadonlyMap<FaultCause, number> {
  const counts = [...authored].map(
    ([key, share]) => [key, AUTHORED_CASES * share + (seen[key] ?? 0)] as const,
  );
  const total = counts.reduce((sum, [, count]) => sum + count, 0);
  return new Map(counts.map(([key, count]) => [key, count / total]));
}
