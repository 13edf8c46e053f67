import { isWithin } from '../numeric/bounded';

/** What a tied knot leaves of a line's strength, as a share. From memory. */
export const KNOT_LEAVES = 0.85;
const STRONGEST_KG = 10_000;

/** A drag that is more than the weakest link of a fill stands. */
export interface DragTooHigh {
  /** Which layer is the weakest, in the order they were given. */
  readonly weakest: number;
  /** kg the line itself breaks at as rated, and what a knot in it likely stands. */
  readonly breaks: number;
  readonly knot: number;
}

/**
 * Whether a drag is above what the weakest layer of a fill, or a knot in it, stands: on a long run it comes down to
 * the backing.
 *
 * @param dragKg the drag wanted, kg
 * @param strengths rated strength of each layer, kg; null where nobody knows
 * @returns null where it is not, or nothing is known
 */
export function dragTooHigh(dragKg: number, strengths: readonly (number | null)[]): DragTooHigh | null {
  const known = strengths.flatMap((kg) => (kg !== null && isWithin(kg, 0.01, STRONGEST_KG) ? [kg] : []));
  const breaks = Math.min(...known);
  const knot = KNOT_LEAVES * breaks;
  return known.length > 0 && dragKg > knot ? { weakest: strengths.indexOf(breaks), breaks, knot } : null;
}
