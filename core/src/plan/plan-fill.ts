import { fail, succeed, type Result } from '../issue';
import type { Line } from '../lines/line';
import { jacobianOf, propagate } from '../numeric/jacobian';
import type { Estimate } from '../spool/estimate';
import { bulkBelief, decodeSpool, FIRST_BULK, type ParameterVector } from '../spool/parameters';
import type { SpoolGeometry } from '../spool/spool-geometry';
import { checkRequest } from './check-request';
import type { FillPlan, PlannedLayer, PlanIssue } from './fill-plan';
import type { FillRequest } from './fill-request';
import { judgeGap } from './judge-gap';
import { judgePlan } from './judge-plan';
import { USUAL_PLAN_RULES, type PlanRules } from './plan-rules';
import { cutOff, spoolRanged } from '../numeric/ranged';
import { gapByTurns, isLevelled, isUnknown, stackLayers, type Stack } from './stack';
import { wetGapOf } from './wet-gap';

/**
 * Plans a fill: lengths, depths and turns of each layer, solved for the one unknown, each with its likely range.
 *
 * Ranges are 10th to 90th percentile by linear propagation of the estimate's covariance and of the bulk of lines it
 * does not know yet, clipped at zero. A seeded Monte Carlo agrees within 5 % where the range stays clear of zero. The gap
 * of a plan that is solved for a layer is the one its planned turns come to: wound to the count, line and spool have the
 * last word.
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
  const { vector, covariance, at } = widen(estimate, request);
  const stack = stackLayers(...at(vector), request);
  const solved = request.layers.some((layer) => isUnknown(layer) || isLevelled(layer));
  const figures = (there: ParameterVector): number[] => {
    const [spool, bulkOf] = at(there);
    const then = stackLayers(spool, bulkOf, request);
    // Wound to the planned turns where a layer's length follows from the spool; else to the lengths that were given.
    const gap = solved ? gapByTurns(spool, bulkOf, request, stack.lying) : then.gap;
    return [...figuresOf(then), spool.lipRadius - spool.arborRadius, gap];
  };
  const sds = propagate(jacobianOf(figures, vector), covariance);
  const plan = describe(stack, sds, request, estimate.spool.lipRadius);
  const wetGap = wetGapOf(estimate.spool, request, stack, rules.swelling);
  const at0 = request.layers.findIndex(isUnknown) * PER_LAYER;
  const issues = judgePlan({
    stack,
    request,
    rules,
    spool: estimate.spool,
    arborSd: sds.at(-2) ?? 0,
    solvedSd: Math.max(sds[at0] ?? 0, sds[at0 + 1] ?? 0),
  });
  return succeed({ ...plan, wetGap, issues: [...issues, ...judgeGap({ ...plan, wetGap }, request)] });
}

/** The figures that get a range, in one row: per layer length, wraps, depth after, spool turns. */
const figuresOf = (stack: Stack): number[] =>
  stack.free.flatMap(({ length, wraps, outer, spoolTurns }) => [
    length,
    wraps,
    stack.lipRadius - outer,
    spoolTurns,
  ]);
const PER_LAYER = 4;

interface Widened {
  readonly vector: number[];
  readonly covariance: number[][];
  /** The spool and its bulks as a vector says they are. */
  readonly at: (vector: ParameterVector) => readonly [SpoolGeometry, (line: Line) => number];
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
  return {
    vector,
    covariance,
    at: (there) => [decodeSpool(there), ({ key }) => Math.exp(there[place.get(key) ?? -1] ?? 0)],
  };
}

const linesOf = ({ layers }: FillRequest): Line[] =>
  layers.flatMap((layer) => (layer.kind === 'line' || layer.kind === 'retained' ? [layer.line] : []));

function describe(
  stack: Stack,
  sds: readonly number[],
  request: FillRequest,
  lip: number,
): Omit<FillPlan, 'wetGap' | 'issues'> {
  const solvedFor = request.layers.find(isUnknown)?.id ?? null;
  const gap = spoolRanged(stack.gap, sds.at(-1) ?? 0);
  const layers = stack.layers.map((layer, i): PlannedLayer => {
    const [length = 0, wraps = 0, depth = 0, turns = 0] = sds.slice(i * PER_LAYER, (i + 1) * PER_LAYER);
    const perTurn = (radius: number): number => (2 * Math.PI * radius * request.gear) / 1000;
    const asked = request.layers[i];
    const free = layer.id === solvedFor ? (stack.free[i] ?? layer) : layer;
    if (!asked) throw new Error('A stack has as many layers as its request.');
    return {
      id: layer.id,
      request: asked,
      length: cutOff(free.length, asked.kind === 'line' && typeof asked.length === 'number' ? 0 : length),
      wraps: cutOff(free.wraps, wraps),
      innerRadius: layer.inner,
      outerRadius: layer.outer,
      depthBefore: lip - layer.inner,
      depthAfter: i === stack.layers.length - 1 ? gap : spoolRanged(lip - layer.outer, depth),
      spoolTurns: layer.spoolTurns,
      handleTurns: cutOff(
        (layer.id === solvedFor && free.spoolTurns < 0 ? free : layer).spoolTurns / request.gear,
        turns / request.gear,
      ),
      perTurnStart: perTurn(layer.inner),
      perTurnEnd: perTurn(layer.outer),
    };
  });
  const overlaps = request.layers.reduce(
    (sum, layer) => sum + (layer.kind === 'line' ? (layer.overlap ?? 0) : 0),
    0,
  );
  return {
    layers,
    solvedFor,
    gap,
    total: stack.layers.reduce((sum, { length }) => sum + length, 0) - overlaps,
  };
}
