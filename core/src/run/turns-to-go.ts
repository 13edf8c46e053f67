import type { FillPlan, PlannedLayer } from '../plan/fill-plan';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import type { PlanRules } from '../plan/plan-rules';
import type { Estimate } from '../spool/estimate';
import type { Segments } from '../plan/segments';
import { woundSoFar, type WoundLayer } from '../plan/wound';

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
 * The plan from here: layers already finished are taken as they were wound, the one being wound and those above it
 * as asked. Where the finished layer was the one to fit, its length is fixed now and the gap is what results.
 *
 * @param segments what was wound of each layer
 * @param layer id of the layer being wound
 */
export function windingNow(
  estimate: Estimate,
  request: FillRequest,
  segments: Segments,
  layer: string,
  rules?: PlanRules,
): WindingNow | null {
  const wound = woundSoFar(estimate, request, segments);
  const at = request.layers.findIndex(({ id }) => id === layer);
  const layers = request.layers.map((asked, i) => (i < at ? asWound(asked, wound[i]) : asked));
  const plan = planFill(estimate, { ...request, layers }, rules);
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

const asWound = (asked: LayerRequest, wound: WoundLayer | undefined): LayerRequest =>
  asked.kind === 'line' && wound ? { ...asked, length: wound.length } : asked;
