import { isBraid } from '../lines/line';
import type { PlanIssue } from './fill-plan';
import { FLUSH } from './judge-gap';
import type { FillRequest, LayerRequest } from './fill-request';
import type { SpoolGeometry } from '../spool/spool-geometry';
import type { PlanRules } from './plan-rules';
import { spoolRanged } from '../numeric/ranged';
import { isLevelled, isUnknown, type Stack } from './stack';
import { message, type Words } from '../words/message';

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
  sentence: Words,
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
  const said = { layer: last.role.replace('-', ' '), excess: { m: excess } };
  if (lacks > doubt) return [wrong('does-not-fit', message('plan.too-long', said), values, last.id)];
  const sentence = message('plan.too-long-by-figures', { ...said, gap: { mm: stack.gap } });
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
    const below = stack.layers[i - 1];
    const own = stack.layers[i];
    const least = Math.min(
      own?.length ?? 0,
      layers[i - 1]?.kind === 'line' ? (below?.length ?? 0) : Infinity,
    );
    if (layer.overlap <= least) return [];
    const sentence = message('plan.overlap-too-long', {
      overlap: { m: layer.overlap },
      least: { m: least },
    });
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
    const sentence = message('plan.kept-below-arbor', { depth: { mm: depth }, deepest: { mm: deepest } });
    return [byDoubt(depth - deepest, arborSd)('kept-below-arbor', sentence, { depth, deepest }, layer.id)];
  });
}

/** A reducer that is thinner than the arbor it would sit on. */
function insideArbor({ request, spool, arborSd }: Judged): PlanIssue[] {
  return request.layers.flatMap((layer) => {
    const arbor = 2 * spool.arborRadius;
    if (layer.kind !== 'reducer' || layer.diameter >= arbor) return [];
    const sentence = message('plan.reducer-inside-arbor', {
      reducer: { mm: layer.diameter },
      arbor: { mm: arbor },
    });
    const say = byDoubt(arbor - layer.diameter, 2 * arborSd);
    return [say('reducer-inside-arbor', sentence, { reducer: layer.diameter, arbor }, layer.id)];
  });
}

function negativeGap({ stack, request }: Judged): PlanIssue[] {
  const gap = request.gap ?? stack.gap;
  if (gap > -FLUSH) return [];
  return [caution('negative-gap', message('plan.proud', { proud: { mm: -gap } }), { gap }, 'gap')];
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
      message('plan.too-little', { total: { m: total }, least: { m: rules.leastTotal } }),
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
      message('plan.within-a-cast', { above: { m: above }, least: { m: least } }),
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
    const sentence = message('plan.springy-backing', { diameter: { line: layer.line.diameter } });
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
  if (guideBore === undefined || !Number.isFinite(guideBore)) return [];
  const layers = lineLayers(request);
  return layers.slice(1).flatMap((layer, i) => {
    // A double knot is about two of each line across (common practice, no source).
    const thickness = 2 * (layer.line.diameter + (layers[i]?.line.diameter ?? 0));
    if (thickness <= guideBore) return [];
    return [
      caution(
        'join-too-thick',
        message('plan.join-too-thick', { thickness: { mm: thickness }, guide: { mm: guideBore } }),
        { thickness },
        layer.id,
      ),
    ];
  });
}
