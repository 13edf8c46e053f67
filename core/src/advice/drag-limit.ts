import { isWithin } from '../numeric/bounded';

/** What a tied knot leaves of a line's strength, as a share. From memory. */
const KNOT_LEAVES = 0.85;
const STRONGEST_KG = 10_000;

/** The weakest link of a fill. */
interface WeakestPart {
  /** Which layer is the weakest, in the order they were given. */
  readonly weakest: number;
  /** kg the line itself breaks at as rated, and what a knot in it likely stands. */
  readonly breaks: number;
  readonly knot: number;
}

/** The weakest of some rated strengths, kg; null where none is known. */
export function weakestPart(strengths: readonly (number | null)[]): WeakestPart | null {
  const known = strengths.flatMap((kg) => (kg !== null && isWithin(kg, 0.01, STRONGEST_KG) ? [kg] : []));
  if (known.length === 0) return null;
  const breaks = Math.min(...known);
  return { weakest: strengths.indexOf(breaks), breaks, knot: KNOT_LEAVES * breaks };
}

/**
 * Whether a drag is above what the weakest layer of a fill, or a knot in it, stands: on a long run it comes down to
 * the backing.
 *
 * @param dragKg the drag wanted, kg
 * @param strengths rated strength of each layer, kg; null where nobody knows
 * @returns null where it is not, or nothing is known
 */
export function dragTooHigh(dragKg: number, strengths: readonly (number | null)[]): WeakestPart | null {
  const weakest = weakestPart(strengths);
  return weakest && dragKg > weakest.knot ? weakest : null;
}
