import { fail, succeed, type Result } from '../issue';
import type { Line } from '../lines/line';
import { jacobianOf, propagate } from '../numeric/least-squares';
import type { Estimate } from '../spool/estimate';
import { bulkBelief, decodeSpool, FIRST_BULK, type ParameterVector } from '../spool/parameters';
import { checkRequest } from './check-request';
import type { FillPlan, PlannedLayer, PlanIssue } from './fill-plan';
import type { FillRequest } from './fill-request';
import { judgePlan } from './judge-plan';
import { USUAL_PLAN_RULES, type PlanRules } from './plan-rules';
import { ranged } from './ranged';
import { isUnknown, stackLayers, type Stack } from './stack';
import { wetGapOf } from './wet-gap';

/**
 * Plans a fill: lengths, depths and turns of each layer, solved for the one unknown, each with its likely range.
 *
 * Ranges are 10th to 90th percentile by linear propagation of the estimate's covariance and of the bulk of lines it
 * does not know yet, clipped at nought. A seeded Monte Carlo agrees within 5 % where the range stays clear of nought.
 *
 * @param estimate the spool, inferred or known
 * @param request ordered layers, gap in mm, gear ratio
 * @returns the plan, its cautions inside; or issues where the request makes no sense
 */
export function planFill(
  estimate: Estimate,
  request: FillRequest,
  rules: PlanRules = USUAL_PLAN_RULES,
): Result<FillPlan, PlanIssue> {
  const problems = checkRequest(request);
  if (problems.length > 0) return fail(...problems);
  const { vector, covariance, stackOf } = widen(estimate, request);
  const stack = stackOf(vector);
  const sds = propagate(
    jacobianOf((at) => figuresOf(stackOf(at)), vector),
    covariance,
  );
  const plan = describe(stack, sds, request, estimate.spool.lipRadius);
  const wetGap = wetGapOf(estimate.spool, request, stack, rules.swelling);
  const issues = judgePlan({ stack, request, rules });
  return succeed({ ...plan, wetGap, issues });
}

/** The figures that get a range, in one row: per layer length, wraps, depth after, spool turns; then the gap. */
const figuresOf = (stack: Stack): number[] => [
  ...stack.layers.flatMap(({ length, wraps, outer, spoolTurns }) => [
    length,
    wraps,
    stack.lipRadius - outer,
    spoolTurns,
  ]),
  stack.gap,
];
const PER_LAYER = 4;

interface Widened {
  readonly vector: number[];
  readonly covariance: number[][];
  readonly stackOf: (vector: ParameterVector) => Stack;
}

/** The estimate with a bulk added for each line of the request that it has never met. */
function widen(estimate: Estimate, request: FillRequest): Widened {
  const place = new Map(estimate.lines.map((line, i) => [line.key, FIRST_BULK + i]));
  const vector = [...estimate.vector];
  const covariance = estimate.covariance.map((row) => [...row]);
  for (const line of linesOf(request)) {
    if (place.has(line.key)) continue;
    const { median, sd } = bulkBelief(line, estimate.priors);
    place.set(line.key, vector.length);
    covariance.forEach((row) => row.push(0));
    covariance.push([...vector.map(() => 0), sd * sd]);
    vector.push(Math.log(median));
  }
  const stackOf = (at: ParameterVector): Stack => {
    const spool = decodeSpool(at, estimate.taper);
    return stackLayers(spool, (line) => Math.exp(at[place.get(line.key) ?? -1] ?? 0), request);
  };
  return { vector, covariance, stackOf };
}

const linesOf = ({ layers }: FillRequest): Line[] =>
  layers.flatMap((layer) => (layer.kind === 'line' || layer.kind === 'retained' ? [layer.line] : []));

function describe(
  stack: Stack,
  sds: readonly number[],
  request: FillRequest,
  lip: number,
): Omit<FillPlan, 'wetGap' | 'issues'> {
  const layers = stack.layers.map((layer, i): PlannedLayer => {
    const [length = 0, wraps = 0, depth = 0, turns = 0] = sds.slice(i * PER_LAYER, (i + 1) * PER_LAYER);
    const perTurn = (radius: number): number => (2 * Math.PI * radius * request.gear) / 1000;
    const asked = request.layers[i];
    if (!asked) throw new Error('A stack has as many layers as its request.');
    return {
      id: layer.id,
      request: asked,
      length: ranged(layer.length, asked.kind === 'line' && asked.length !== 'fits' ? 0 : length, 0),
      wraps: ranged(layer.wraps, wraps, 0),
      innerRadius: layer.inner,
      outerRadius: layer.outer,
      depthBefore: lip - layer.inner,
      depthAfter: ranged(lip - layer.outer, depth),
      spoolTurns: layer.spoolTurns,
      handleTurns: ranged(layer.spoolTurns / request.gear, turns / request.gear, 0),
      perTurnStart: perTurn(layer.inner),
      perTurnEnd: perTurn(layer.outer),
    };
  });
  const gapSd = sds.at(-1) ?? 0;
  const overlaps = request.layers.reduce(
    (sum, layer) => sum + (layer.kind === 'line' ? (layer.overlap ?? 0) : 0),
    0,
  );
  return {
    layers,
    solvedFor: request.layers.find(isUnknown)?.id ?? null,
    gap: ranged(stack.gap, gapSd),
    total: stack.layers.reduce((sum, { length }) => sum + length, 0) - overlaps,
  };
}
