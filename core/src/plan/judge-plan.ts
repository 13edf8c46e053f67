import { isBraid } from '../lines/line';
import type { PlanIssue } from './fill-plan';
import { FLUSH } from './judge-gap';
import type { FillRequest, LayerRequest } from './fill-request';
import type { SpoolGeometry } from '../spool/spool-geometry';
import type { PlanRules } from './plan-rules';
import { spoolRanged } from '../numeric/ranged';
import { isLevelled, isUnknown, type Stack } from './stack';
import { told } from '../quantities/told';

interface Judged {
  readonly stack: Stack;
  readonly request: FillRequest;
  readonly rules: PlanRules;
  readonly spool: SpoolGeometry;
  /** How unsure the depth of the bare arbor below the lip is, one standard deviation, mm. */
  readonly arborSd: number;
  /** How unsure the layer solved for is, one standard deviation: m of line, or wraps of tape. */
  readonly solvedSd: number;
}

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

const caution = (
  code: PlanIssue['code'],
  sentence: string,
  values: Record<string, number> = {},
  at?: string,
): PlanIssue => ({
  code,
  severity: 'caution',
  sentence,
  values,
  ...(at === undefined ? {} : { at }),
});

const wrong: typeof caution = (...said) => ({ ...caution(...said), severity: 'error' });

/** What cannot or should not be in a plan. Everything here still has a picture; nothing here is an exception. */
export const judgePlan = (judged: Judged): PlanIssue[] =>
  [
    doesNotFit,
    longOverlap,
    belowArbor,
    insideArbor,
    negativeGap,
    tooLittle,
    withinACast,
    springyBacking,
    bareArbor,
    thickJoin,
  ].flatMap((judge) => judge(judged));

const lineLayers = ({ layers }: FillRequest): LineLayer[] =>
  layers.filter((layer): layer is LineLayer => layer.kind === 'line');

/**
 * How much of the last given line layer would have to go for the rest to fit. What lacks less than is not known of the
 * spool is said and stops nothing: it then comes out at a smaller gap.
 */
function doesNotFit({ stack, request, solvedSd }: Judged): PlanIssue[] {
  if (stack.room === null || stack.room >= 0) return tooHighAlready({ stack, request });
  const last = lineLayers(request).findLast(({ length }) => length !== 'fits');
  if (!last) return [wrong('does-not-fit', 'This does not fit below the gap.')];
  const solved = stack.free[request.layers.findIndex(isUnknown)];
  const lacks = Math.max(-(solved?.length ?? 0), -(solved?.wraps ?? 0));
  const doubt = spoolRanged(0, solvedSd).high;
  const row = stack.layers.find(({ id }) => id === last.id);
  const perMetre =
    row && row.length > 0
      ? (Math.PI * stack.width * (row.outer ** 2 - row.inner ** 2)) / row.length
      : Infinity;
  const excess = -stack.room / perMetre;
  const values = { excess, gap: stack.gap };
  const longer = `${told.length(excess)} longer than fits below the gap`;
  const name = last.role.replace('-', ' ');
  if (lacks > doubt) return [wrong('does-not-fit', `The ${name} is ${longer}.`, values, last.id)];
  const sentence = `By the figures the ${name} is ${longer}, which is less than is known of this spool. It likely comes out ${told.small(stack.gap)} below the lip.`;
  return [caution('does-not-fit', sentence, values, last.id)];
}

/** A level that what lies below it reaches past already. */
function tooHighAlready({ stack, request: { layers } }: Pick<Judged, 'stack' | 'request'>): PlanIssue[] {
  return layers.flatMap((layer, i) => {
    const row = stack.layers[i];
    if (!isLevelled(layer) || !row || row.outer > row.inner) return [];
    const sentence = 'What lies below stands at this level already: there is no room for any of it.';
    return [wrong('does-not-fit', sentence, {}, layer.id)];
  });
}

/** A splice longer than the line it lies in. */
function longOverlap({ stack, request: { layers } }: Judged): PlanIssue[] {
  return layers.flatMap((layer, i) => {
    if (layer.kind !== 'line' || !layer.overlap) return [];
    const [below, own] = [stack.layers[i - 1], stack.layers[i]];
    const least = Math.min(
      own?.length ?? 0,
      layers[i - 1]?.kind === 'line' ? (below?.length ?? 0) : Infinity,
    );
    if (layer.overlap <= least) return [];
    const sentence = `A spliced overlap of ${told.length(layer.overlap)} is longer than the ${told.length(least)} of line it lies in.`;
    return [wrong('overlap-too-long', sentence, { overlap: layer.overlap, least }, layer.id)];
  });
}

/** Beyond this many standard deviations it is not the estimate that is off. */
const CLEARLY = 3;

/** What cannot be by the estimate: clearly so, it stops the plan; within its doubt it is only said. */
const byDoubt = (off: number, sd: number): typeof caution => (off > CLEARLY * sd ? wrong : caution);

/** Old line kept by a depth that lies deeper than the bare arbor. */
function belowArbor({ request, spool, arborSd }: Judged): PlanIssue[] {
  const deepest = spool.lipRadius - spool.arborRadius;
  return request.layers.flatMap((layer) => {
    if (layer.kind !== 'retained' || !('depth' in layer.left) || layer.left.depth <= deepest) return [];
    const { depth } = layer.left;
    const sentence = `Old line kept at ${told.small(depth)} would lie below the bare arbor, which is at about ${told.small(deepest)}. Measure again from the lip.`;
    return [byDoubt(depth - deepest, arborSd)('kept-below-arbor', sentence, { depth, deepest }, layer.id)];
  });
}

/** A reducer that is thinner than the arbor it would sit on. */
function insideArbor({ request, spool, arborSd }: Judged): PlanIssue[] {
  return request.layers.flatMap((layer) => {
    const arbor = 2 * spool.arborRadius;
    if (layer.kind !== 'reducer' || layer.diameter >= arbor) return [];
    const sentence = `A reducer of ${told.small(layer.diameter)} lies inside the arbor, which is about ${told.small(arbor)}. Measure both across.`;
    const say = byDoubt(arbor - layer.diameter, 2 * arborSd);
    return [say('reducer-inside-arbor', sentence, { reducer: layer.diameter, arbor }, layer.id)];
  });
}

function negativeGap({ stack, request }: Judged): PlanIssue[] {
  const gap = request.gap ?? stack.gap;
  if (gap > -FLUSH) return [];
  return [
    caution(
      'negative-gap',
      `This stands ${told.small(-gap)} proud of the lip. Line will fall off in loops.`,
      { gap },
      'gap',
    ),
  ];
}

/** Lengths are told in whole metres and yards: what rounds to a figure is that figure, m. */
const ROUNDED = 0.5;

function tooLittle({ stack, rules }: Judged): PlanIssue[] {
  const total = stack.layers.reduce((sum, { length }) => sum + length, 0);
  // A hundred yards, told in whole ones, are not less than a hundred.
  if (total >= rules.leastTotal - ROUNDED) return [];
  return [
    caution(
      'too-little-line',
      `Only ${told.length(total)} in all. A reel should hold at least ${told.length(rules.leastTotal)}.`,
      { total },
    ),
  ];
}

function withinACast({ stack, request, rules }: Judged): PlanIssue[] {
  const layers = lineLayers(request);
  const last = layers.at(-1);
  const above = stack.layers.find(({ id }) => id === last?.id)?.length ?? 0;
  const least = rules.longCast * rules.castsAboveJoin;
  const joined = layers.length > 1 || request.layers.some(({ kind }) => kind === 'retained');
  if (!last || !joined || above >= least - ROUNDED) return [];
  return [
    caution(
      'join-within-a-cast',
      `Only ${told.length(above)} lie above the join. Leave a cast and a half, ${told.length(least)}, or the join meets the guides on a cast.`,
      { above, least },
      last.id,
    ),
  ];
}

function springyBacking({ request, rules }: Judged): PlanIssue[] {
  const layers = lineLayers(request);
  return layers.flatMap((layer, i) => {
    const above = layers[i + 1];
    const springy =
      layer.line.material === 'nylon' && layer.role === 'backing' && layer.line.diameter >= rules.springyFrom;
    if (!springy || !above || !isBraid(above.line.material)) return [];
    const sentence = `Nylon of ${told.diameter(layer.line.diameter)} is springy under braid: the braid lies badly on it. Take thinner backing.`;
    return [caution('springy-backing', sentence, { diameter: layer.line.diameter }, layer.id)];
  });
}

function bareArbor({ request }: Judged): PlanIssue[] {
  const [first] = request.layers;
  if (first?.kind !== 'line' || !isBraid(first.line.material)) return [];
  return [
    caution(
      'braid-on-bare-arbor',
      'Braid slips on a bare arbor. Wind a few metres of nylon or a wrap of tape on first.',
      {},
      first.id,
    ),
  ];
}

function thickJoin({ request }: Judged): PlanIssue[] {
  const { guideBore } = request;
  if (guideBore === undefined) return [];
  const layers = lineLayers(request);
  return layers.slice(1).flatMap((layer, i) => {
    // A double knot is about two of each line across (common practice, no source).
    const thickness = 2 * (layer.line.diameter + (layers[i]?.line.diameter ?? 0));
    if (thickness <= guideBore) return [];
    return [
      caution(
        'join-too-thick',
        `The join is about ${told.small(thickness)} thick and the line guide is ${told.small(guideBore)}. Choose thinner backing.`,
        { thickness },
        layer.id,
      ),
    ];
  });
}
