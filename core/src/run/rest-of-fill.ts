import type { LayerRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import type { Ranged } from '../numeric/ranged';
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

/** Metres of one layer that fit to the gap, with every other layer as it lies or as it was asked. */
export function metresThatFit(
  { request, spool, wound }: Pick<RunUnderWay, 'request' | 'spool' | 'wound'>,
  layer: string,
): Ranged | null {
  if (request.gap === undefined) return null;
  const last = request.layers.at(-1)?.id;
  const layers = request.layers.map((one): LayerRequest => {
    if (one.kind !== 'line') return one;
    if (one.id === layer) return { ...one, length: 'fits' };
    return one.id === last && one.length !== 'fits'
      ? one
      : { ...one, length: wound.find(({ id }) => id === one.id)?.length ?? 0 };
  });
  const plan = planFill(spool, { ...request, layers });
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
