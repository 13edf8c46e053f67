import { jacobianOf, propagate } from '../numeric/jacobian';
import type { Segments } from '../plan/segments';
import { woundSoFar } from '../plan/wound';
import { decodeSpool, type ParameterVector } from '../spool/parameters';
import type { RunState } from './run-state';
import { stretchesAsObservations } from './stretch-observations';
import type { SpoolUnderWay } from './under-way';

/** The radius a layer is being wound at, as a line meter beside the turn counter tells it. */
export interface MeasuredRadius {
  /** mm, with one standard deviation. */
  readonly value: number;
  readonly sd: number;
  /** How unsure it would be by all else that is known, mm. */
  readonly sdWithout: number;
  readonly stretches: number;
  /** Stretches that do not go with the others: line that slipped in the meter, or ran beside it. */
  readonly leftOut: number;
}

/**
 * How sure the radius is that a layer is wound at now, with what a line meter measured and without it.
 *
 * @param known the spool under the handle
 * @param unmetered the same by all else that is known
 * @returns null where not enough was metered on this layer
 */
export function measuredRadius(
  known: SpoolUnderWay,
  unmetered: SpoolUnderWay,
  state: Pick<RunState, 'stretches' | 'byEye' | 'wound'>,
  layer: string,
): MeasuredRadius | null {
  const stretches = state.stretches.filter((one) => one.layer === layer);
  const seen = { stretches, byEye: state.byEye };
  const { leftOut, observations } = stretchesAsObservations(known.request, seen, Infinity);
  if (observations.length === 0) return null;
  return {
    ...surfaceOf(known, state.wound, layer),
    sdWithout: surfaceOf(unmetered, state.wound, layer).sd,
    stretches: stretches.length,
    leftOut,
  };
}

function surfaceOf(
  { request, spool }: SpoolUnderWay,
  wound: Segments,
  layer: string,
): { readonly value: number; readonly sd: number } {
  const radius = (vector: ParameterVector): number => {
    const there = { ...spool, vector, spool: decodeSpool(vector) };
    return woundSoFar(there, request, wound).find(({ id }) => id === layer)?.outerRadius ?? 0;
  };
  const [sd = 0] = propagate(
    jacobianOf((vector) => [radius(vector)], spool.vector),
    spool.covariance,
  );
  return { value: radius(spool.vector), sd };
}
