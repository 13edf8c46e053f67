import type { FillRequest, LayerRequest } from '../plan/fill-request';
import type { PlanInput } from '../plan/make-plan';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation, WoundLength } from '../spool/observation';
import type { DepthReading, RunState } from './fold-run';
import { windingRequest, type RunFacts } from './run-steps';
import { windingNow, type WindingNow } from './turns-to-go';
import { gearAt, inCounts, inHandleTurns } from './winder';
import { woundSoFar, type WoundLayer } from './wound';

/** Depths read at the gap are read after the last layer. */
export const AT_THE_GAP = 'gap';

/** The fill as it is wound, with what was chosen on the way laid over what was asked. */
export function requestUnderWay(facts: RunFacts, { chosen }: Pick<RunState, 'chosen'>): FillRequest {
  const asked = windingRequest(facts);
  return chosen.reduce((request, { layer, how, gap, length }): FillRequest => {
    if (how === 'smaller-gap' && gap !== undefined) return { ...request, gap };
    if (how === 'cut-short' && length !== undefined)
      return { ...request, layers: request.layers.map((one) => cutTo(one, layer, length)) };
    return request;
  }, asked);
}

const cutTo = (one: LayerRequest, layer: string, length: number): LayerRequest =>
  one.kind === 'line' && one.id === layer ? { ...one, length } : one;

/**
 * Depths read in a run as observations of its spool: what was on it by the counts at that moment. A fill over tape or a
 * reducer tells nothing of the arbor, so its depths are left out.
 */
export function depthsAsObservations(
  request: FillRequest,
  depths: readonly DepthReading[],
  supplies: RunState['supplies'] = {},
): Extract<Observation, { kind: 'depth' }>[] {
  if (request.layers.some((layer) => layer.kind === 'tape' || layer.kind === 'reducer')) return [];
  return depths.flatMap(({ after, depth, by, counted }) => {
    const last = request.layers.findIndex(({ id }) => id === after);
    if (last < 0 && after !== AT_THE_GAP) return [];
    const below = after === AT_THE_GAP ? request.layers : request.layers.slice(0, last + 1);
    const layers = below.flatMap((layer): WoundLength[] => {
      if (layer.kind === 'retained')
        return 'length' in layer.left ? [{ line: layer.line, length: layer.left.length }] : [];
      if (layer.kind !== 'line') return [];
      const metres = counted.metres[layer.id];
      if (metres !== undefined) return [{ line: layer.line, length: metres }];
      const spoolTurns = (counted.turns[layer.id] ?? 0) * gearAt(request, supplies, layer.id);
      return spoolTurns > 0 ? [{ line: layer.line, spoolTurns }] : [];
    });
    // Old line kept by its depth has no length to learn from.
    const byDepth = below.some((layer) => layer.kind === 'retained' && 'depth' in layer.left);
    return layers.length > 0 && !byDepth ? [{ kind: 'depth', layers, depth, by }] : [];
  });
}

/** Everything that follows from a run's log for the spool under the handle. */
export interface RunUnderWay {
  readonly request: FillRequest;
  /** The spool as known now, depths read on the way included. */
  readonly spool: InferredSpool;
  readonly wound: readonly WoundLayer[];
  /**
   * The winding now, where the current step winds or reads a depth on it; otherwise null. Its turns are counted as the
   * technician counts them: of the reel's handle, or of a winder that turns the spool itself.
   */
  readonly winding: WindingNow | null;
}

/**
 * Takes a run from its facts and its state to the spool under the handle: each depth read makes the spool known anew,
 * and with it what was wound and what is left to wind.
 *
 * @returns null where nothing can be inferred, which a stored plan rules out
 */
export function runUnderWay(
  { observations }: Pick<PlanInput, 'observations'>,
  facts: RunFacts,
  state: RunState,
): RunUnderWay | null {
  const request = requestUnderWay(facts, state);
  const depths = depthsAsObservations(request, state.depths, state.supplies);
  const inferred = inferSpool([...observations, ...depths]);
  if (!inferred.ok) return null;
  const { metres, current } = state;
  const turns = inHandleTurns(request, state);
  const spool = inferred.value;
  const winds = current?.kind === 'wind' || current?.kind === 'depth';
  const winding =
    winds && current.layer !== undefined
      ? windingNow(spool, request, turns, current.layer, { metres })
      : null;
  return {
    request,
    spool,
    wound: woundSoFar(spool, request, turns, metres),
    winding: winding && inCounts(winding, request.gear / gearAt(request, state.supplies, winding.layer)),
  };
}
