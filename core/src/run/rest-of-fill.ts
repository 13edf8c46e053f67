import type { Ranged } from '../numeric/ranged';
import { restToGap, type FillUnderWay } from '../plan/fill-under-way';
import type { RunUnderWay } from './under-way';

/** The last layer as it comes out from what lies on the spool now. */
export interface RestOfFill {
  readonly layer: string;
  /** Metres of it that fit to the gap; null where no gap is wanted. */
  readonly fits: Ranged | null;
  /** Gap with all of it on that was asked, mm. */
  readonly gap: Ranged;
  readonly wanted: number | null;
}

/** Metres of one layer that fit to the gap, over the layers below as they lie; null where no gap is wanted. */
export function metresThatFit(fill: FillUnderWay, layer: string): Ranged | null {
  if (fill.request.gap === undefined) return null;
  const plan = restToGap(fill, layer);
  return plan.ok ? (plan.value.layers.find(({ id }) => id === layer)?.length ?? null) : null;
}

/** What is left of a fill once the layers below the last one are on; null before that, or where it is not wound. */
export function restOfFill(underWay: RunUnderWay): RestOfFill | null {
  const { request, winding } = underWay;
  const last = request.layers.at(-1);
  if (!winding || last?.kind !== 'line') return null;
  return {
    layer: last.id,
    fits: metresThatFit(underWay, last.id),
    gap: winding.plan.gap,
    wanted: request.gap ?? null,
  };
}
