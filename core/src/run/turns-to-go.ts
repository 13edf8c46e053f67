import type { FillPlan, PlannedLayer } from '../plan/fill-plan';
import { restAsAsked, type FillUnderWay } from '../plan/fill-under-way';
import type { WoundLayer } from '../plan/wound';

/** How far a run is on the layer being wound. */
export interface WindingNow {
  readonly layer: string;
  /** What the layer comes to, with the layers below as they really are. */
  readonly planned: PlannedLayer;
  readonly turns: number;
  readonly turnsToGo: number;
  /** Turns wound past what the layer comes to; 0 where none are. */
  readonly turnsOver: number;
  /** Handle turns to go at the early and the late end of the likely range; never below zero. */
  readonly likely: { readonly low: number; readonly high: number };
  readonly lengthSoFar: number;
  readonly depthNow: number;
  /** Metres the next handle turn brings in. */
  readonly perTurn: number;
  /** The rest of the fill, from what lies on the spool now. */
  readonly plan: FillPlan;
  readonly wound: readonly WoundLayer[];
}

/**
 * How far the layer being wound is, with the rest of the fill as it was asked.
 *
 * @param layer id of the layer being wound
 */
export function windingNow(fill: FillUnderWay, layer: string): WindingNow | null {
  const { request, wound } = fill;
  const at = request.layers.findIndex(({ id }) => id === layer);
  const plan = restAsAsked(fill, layer);
  const planned = plan.ok ? plan.value.layers[at] : undefined;
  const now = wound[at];
  if (!plan.ok || !planned || !now) return null;
  const toGo = (total: number): number => Math.max(0, Math.round(total - now.handleTurns));
  return {
    layer,
    planned,
    turns: now.handleTurns,
    turnsToGo: toGo(planned.handleTurns.value),
    turnsOver: Math.max(0, Math.round(now.handleTurns - planned.handleTurns.value)),
    likely: { low: toGo(planned.handleTurns.low), high: toGo(planned.handleTurns.high) },
    lengthSoFar: now.length,
    depthNow: now.depthAfter,
    perTurn: (2 * Math.PI * now.outerRadius * request.gear) / 1000,
    plan: plan.value,
    wound,
  };
}
