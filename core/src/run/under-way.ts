import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { checkRequest } from '../plan/check-request';
import type { FillPlan } from '../plan/fill-plan';
import type { PlanInput } from '../plan/make-plan';
import { planFill } from '../plan/plan-fill';
import { priorsOf } from '../spool/beliefs';
import type { FillUnderWay } from '../plan/fill-under-way';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import type { SpoolPriors } from '../spool/priors';
import { withByEye } from './by-eye';
import { depthsAsObservations } from './depth-observations';
import { stretchesAsObservations } from './stretch-observations';
import { asNoted, sameUnderlay } from './underlay-noted';
import type { RunState } from './run-state';
import { windingRequest } from '../steps/winding-order';
import type { RunFacts } from '../steps/run-facts';
import { windingNow, type WindingNow } from './turns-to-go';
import { gearAt, inCounts } from './winder';
import { woundSoFar } from '../plan/wound';

/** What was chosen on the way, and written down of what lies below the line. */
export type Laid = Pick<RunState, 'chosen' | 'notes'>;

/** The fill as it is wound, with what was chosen on the way laid over what was asked. */
export function requestUnderWay(facts: RunFacts, { chosen, notes }: Laid): FillRequest {
  const asked = asNoted(windingRequest(facts), notes);
  return chosen.reduce((request, { layer, how, gap, length }): FillRequest => {
    if (how === 'smaller-gap' && gap !== undefined) return { ...request, gap };
    if ((how === 'cut-short' || how === 'another-length') && length !== undefined)
      return { ...request, layers: request.layers.map((one) => cutTo(one, layer, length)) };
    return request;
  }, asked);
}

const cutTo = (one: LayerRequest, layer: string, length: number): LayerRequest =>
  one.kind === 'line' && one.id === layer ? { ...one, length } : one;

/** Everything that follows from a run's log for the spool under the handle. */
export interface RunUnderWay extends FillUnderWay, Pick<SpoolUnderWay, 'askedAfter'> {
  /** The spool as known now, depths read on the way included. */
  readonly spool: InferredSpool;
  /** The whole fill as it is wound here, from what is known now; null where it cannot be planned any more. */
  readonly plan: FillPlan | null;
  /**
   * The winding of the layer the current step belongs to, from making its join on; null at all other steps. Its turns are counted as the
   * technician counts them: of the reel's handle, or of a winder that turns the spool itself.
   */
  readonly winding: WindingNow | null;
}

/** What a run's spool is inferred from beside what was known before: a count alone changes none of it. */
export type SeenUnderWay = Pick<RunState, 'depths' | 'stretches' | 'chosen' | 'byEye' | 'notes'>;

/** Whether nothing was seen in between that says anything of the spool. */
export const sameSeen = (a: SeenUnderWay, b: SeenUnderWay): boolean =>
  sameItems(a.depths, b.depths) &&
  sameItems(a.stretches, b.stretches) &&
  sameItems(a.chosen, b.chosen) &&
  sameUnderlay(a.notes, b.notes) &&
  a.byEye.size === b.byEye.size &&
  [...a.byEye].every(([layer, { at }]) => b.byEye.get(layer)?.at === at);

const sameItems = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i]);

/** Stretches of one layer that are looked at apart while it is wound: enough to see the slope, few enough to be quick. */
const MOST_METERED = 8;

/** The spool under the handle, with every depth read so far, and the fill as it is wound. */
export interface SpoolUnderWay {
  readonly request: FillRequest;
  readonly spool: InferredSpool;
  /** The fill as it was asked once so many choices had been made. */
  readonly askedAfter: (choices: number) => FillRequest;
}

/**
 * Infers the spool under the handle from what was known of it, each depth read and each stretch metered since.
 *
 * @returns null where nothing can be inferred or planned, which a stored plan rules out
 */
export function spoolUnderWay(
  input: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  seen: SeenUnderWay,
): SpoolUnderWay | null {
  const request = requestWound(input, facts, seen);
  if (checkRequest(request).length > 0) return null;
  const depths = depthsAsObservations(request, seen);
  const { observations: metered } = stretchesAsObservations(request, seen, MOST_METERED);
  const known = [...input.observations, ...depths];
  const inferred = inferSpool([...known, ...metered], priorsOf(input.beliefs));
  return inferred.ok ? { request, spool: inferred.value, askedAfter: askedIn(input, facts, seen) } : null;
}

/**
 * Takes a run from its facts and its state to the spool under the handle: each depth read makes the spool known again,
 * and with it what was wound and what is left to wind.
 *
 * @returns null where nothing can be inferred or planned, which a stored plan rules out
 */
export function runUnderWay(
  input: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  state: RunState,
): RunUnderWay | null {
  const under = spoolUnderWay(input, facts, state);
  return under && windingOn(under, state);
}

/** The same on a spool that was inferred before: all that a count changes. */
export function windingOn(under: SpoolUnderWay, state: RunState): RunUnderWay {
  const { current } = state;
  const { request, spool } = under;
  const fill = { ...under, wound: woundSoFar(spool, request, withByEye(under, state)) };
  const winding = current?.layer === undefined ? null : windingNow(fill, current.layer);
  const plan = winding ? null : planFill(spool, request);
  return {
    ...fill,
    plan: winding?.plan ?? (plan?.ok ? plan.value : null),
    winding: winding && inCounts(winding, request.gear / gearAt(request, state.supplies, winding.layer)),
  };
}

/** The fill as it was asked once so many of the choices of a run had been made. */
export const askedIn =
  (
    input: Pick<PlanInput, 'observations' | 'beliefs'>,
    facts: RunFacts,
    { chosen, notes }: Laid,
  ): SpoolUnderWay['askedAfter'] =>
  (choices) =>
    requestWound(input, facts, { chosen: chosen.slice(0, choices), notes });

/** The fill as it is wound: tape that makes up the room, and old line kept by its share, as they were planned. */
export function requestWound(
  { observations, beliefs }: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  state: Laid,
): FillRequest {
  return asLaid(requestUnderWay(facts, state), observations, priorsOf(beliefs));
}

/** Whether a layer below the line that is wound lies as it was planned, by nothing but the plan. */
const liesAsPlanned = (layer: LayerRequest): boolean =>
  (layer.kind === 'tape' && layer.wraps === 'fits') || (layer.kind === 'retained' && 'share' in layer.left);

/** Tape that makes up the room, and old line kept by its share, lie as they were planned from then on. */
function asLaid(
  request: FillRequest,
  observations: readonly Observation[],
  priors: SpoolPriors,
): FillRequest {
  if (!request.layers.some(liesAsPlanned)) return request;
  const spool = inferSpool(observations, priors);
  const plan = spool.ok ? planFill(spool.value, request) : null;
  if (!plan?.ok) return request;
  const layers = request.layers.map((layer, i): LayerRequest => {
    const planned = plan.value.layers[i];
    if (!planned || !liesAsPlanned(layer)) return layer;
    return layer.kind === 'tape'
      ? { ...layer, wraps: planned.wraps.value }
      : { ...layer, ...(layer.kind === 'retained' ? { left: { depth: planned.depthAfter.value } } : {}) };
  });
  return { ...request, layers };
}
