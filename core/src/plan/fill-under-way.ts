import { message } from '../words/message';
import { fail, succeed, type Issue, type Result } from '../issue';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Estimate } from '../spool/estimate';
import type { Observation } from '../spool/observation';
import type { SpoolPriors } from '../spool/priors';
import { checkRequest } from './check-request';
import type { FillPlan } from './fill-plan';
import type { FillRequest, LayerRequest } from './fill-request';
import { planFill } from './plan-fill';
import type { PlanRules } from './plan-rules';
import type { Segments } from './segments';
import { woundSoFar, type WoundLayer } from './wound';

/** A depth read during a fill, with what was on the spool when it was read. */
export type DepthRead = Extract<Observation, { kind: 'depth' }>;

/** A fill while it is wound: the spool as it is believed to be, what was asked, and what lies on it by now. */
export interface FillUnderWay {
  readonly request: FillRequest;
  readonly spool: Estimate;
  readonly wound: readonly WoundLayer[];
}

/** A fill that was looked at on the way. */
export interface FillLookedAt {
  /** What was known of the spool before the fill. */
  readonly observations: readonly Observation[];
  /** Depths read since it began. */
  readonly reads: readonly DepthRead[];
  readonly request: FillRequest;
  /** What was wound of each layer by now: turns or metres, as it was counted. */
  readonly segments: Segments;
}

/**
 * Infers the spool again from all that was known and each depth read on the way, and with it what its counts come to:
 * turns bring in other lengths on a spool that turned out larger.
 *
 * @returns a caution where a reading does not fit the rest (it may be a misreading: read again before cutting); issues
 *   where nothing can be inferred, or a count is no count
 */
export function fillUnderWay(
  { observations, reads, request, segments }: FillLookedAt,
  priors?: SpoolPriors,
): Result<FillUnderWay & { readonly spool: InferredSpool }> {
  const wrong = [...checkRequest(request), ...checkSegments(segments)];
  if (wrong.length > 0) return fail(...wrong);
  const inferred = inferSpool([...observations, ...reads], priors);
  if (!inferred.ok) return inferred;
  const spool = inferred.value;
  return succeed({ request, spool, wound: woundSoFar(spool, request, segments) }, inferred.issues);
}

/**
 * The rest of a fill as it was asked: layers below the one being wound lie as they were wound, that one and those above
 * it go on as asked. Where a layer below was the one to fit, its length is fixed now and the gap is what results.
 *
 * @param layer id of the layer being wound
 */
export function restAsAsked(fill: FillUnderWay, layer: string, rules?: PlanRules): Result<FillPlan> {
  return rest(fill, layer, (asked) => asked, rules);
}

/**
 * The rest of a fill with the layer being wound taken to the gap, whatever length it comes to.
 *
 * @param layer id of the layer being wound; a layer below it that was to fit lies as it was wound
 */
export function restToGap(fill: FillUnderWay, layer: string, rules?: PlanRules): Result<FillPlan> {
  return rest(fill, layer, (asked) => ({ ...asked, length: 'fits' }), rules);
}

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

function rest(
  { request, spool, wound }: FillUnderWay,
  layer: string,
  current: (asked: LineLayer) => LineLayer,
  rules?: PlanRules,
): Result<FillPlan> {
  const at = request.layers.findIndex(({ id }) => id === layer);
  if (at < 0) return fail(NO_SUCH_LAYER);
  const layers = request.layers.map((asked, i): LayerRequest => {
    if (asked.kind !== 'line' || i > at) return asked;
    return i === at ? current(asked) : { ...asked, length: wound[i]?.length ?? 0 };
  });
  return planFill(spool, { ...request, layers }, rules);
}

/** The most one go at a layer can be: what the longest spool of bulk line holds. */
const MOST = { metres: 5000, spoolTurns: 300_000 } as const;

function checkSegments(segments: Segments): Issue[] {
  return Object.entries(segments).flatMap(([layer, goes]) =>
    goes.flatMap((go): Issue[] => {
      const [amount, most] = 'metres' in go ? [go.metres, MOST.metres] : [go.spoolTurns, MOST.spoolTurns];
      if (Math.abs(amount) <= most) return [];
      const sentence = message('plan.counted-too-much', { layer, range: { m: [0, MOST.metres] } });
      return [{ code: 'layer-out-of-range', severity: 'error', sentence, at: layer }];
    }),
  );
}

const NO_SUCH_LAYER: Issue = {
  code: 'no-such-layer',
  severity: 'error',
  sentence: 'Only a layer that is part of this fill can be corrected.',
  at: 'layer',
};
