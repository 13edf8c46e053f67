import { isWithin } from '../numeric/bounded';
import { KILOGRAM_FORCE } from '../quantities/units';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { Advice } from './advice';
import { message } from '../words/message';

export interface DragAdvice extends Advice {
  /** Drag to set, N, and the range people work in. */
  readonly drag: number;
  readonly low: number;
  readonly high: number;
  /** Which of the layers is the weakest. */
  readonly weakest: number;
}

/** What share of the weakest part's strength people set a drag to. Common practice, no source. */
export const DRAG_SHARE = { low: 0.25, high: 1 / 3 } as const;

/** Stronger than any line, N. */
const STRONGEST = 100_000;

/**
 * The drag to hand a reel back with: a quarter to a third of the weakest layer's rated strength, since a long run comes
 * down to the backing. Common practice, no source.
 *
 * @param strengths rated strength of each layer, N, arbor first
 * @returns null where no strength is known
 */
export function dragAdvice(strengths: readonly number[], rules: Pick<HouseRules, 'drag'>): DragAdvice | null {
  const known = strengths.filter((strength) => isWithin(strength, 0.01, STRONGEST));
  if (known.length === 0) return null;
  const least = Math.min(...known);
  const low = DRAG_SHARE.low * least;
  const high = DRAG_SHARE.high * least;
  const drag = rules.drag === 'third' ? high : low;
  const inKg = (newtons: number): number => newtons / KILOGRAM_FORCE;
  return {
    drag,
    low,
    high,
    weakest: strengths.indexOf(least),
    sentence: message('drag.set', { drag: { kg: inKg(drag) }, usual: { kg: [inKg(low), inKg(high)] } }),
    why: schoolOf(rules, 'drag').why,
    caution: 'Hand the reel over with the drag backed off, and follow the maker’s limit for it.',
  };
}
