import { inferSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import { priorsOf } from '../spool/beliefs';
import type { SpoolPriors } from '../spool/priors';
import type { SpoolGeometry } from '../spool/spool-geometry';
import type { FillPlan } from './fill-plan';
import { fillUnderWay, restToGap, type DepthRead } from './fill-under-way';
import type { FillRequest } from './fill-request';
import type { PlanInput } from './make-plan';
import { planFill } from './plan-fill';

/** A look that would narrow a plan, and by how much: standard deviations of the figure it narrows, m or mm. */
export interface Surer {
  readonly look: 'lip' | 'width' | 'arbor' | 'retrieve' | 'rating' | 'depth';
  /** Layer whose length it narrows; null where it is the gap, in mm. */
  readonly layer: string | null;
  readonly from: number;
  readonly to: number;
}

/** A gain under this share is not worth a person's while. */
const WORTH = 0.03;

/**
 * What would make a plan surer, most first: each measure not taken yet is supposed to come out as expected, and the plan
 * is made again with it; and one depth read on the way, which narrows what is left to wind.
 */
export function makeItSurer({ observations, request, beliefs }: PlanInput): Surer[] {
  const priors = priorsOf(beliefs);
  const inferred = inferSpool(observations, priors);
  if (!inferred.ok) return [];
  const plan = planFill(inferred.value, request);
  if (!plan.ok) return [];
  const before = figureOf(plan.value);
  const taken = new Set(observations.map(({ kind }) => kind));
  const looks = expected(inferred.value.spool, request.gear).filter(({ kind }) => !taken.has(kind));
  const measures = looks.flatMap((look): Surer[] => {
    const then = inferSpool([...observations, look], priors);
    const again = then.ok ? planFill(then.value, request) : then;
    if (!again.ok) return [];
    return [{ look: look.kind, layer: before.layer, from: before.sd, to: figureOf(again.value).sd }];
  });
  const all = [...measures, ...afterOneDepth({ observations, request }, plan.value, priors)];
  return all.filter(({ from, to }) => to < (1 - WORTH) * from).sort((a, b) => a.to / a.from - b.to / b.from);
}

const figureOf = ({ layers, solvedFor, gap }: FillPlan): { layer: string | null; sd: number } => {
  const solved = layers.find(({ id, request }) => id === solvedFor && request.kind === 'line');
  return solved ? { layer: solved.id, sd: solved.length.sd } : { layer: null, sd: gap.sd };
};

type Measure = Extract<Observation, { kind: 'lip' | 'width' | 'arbor' | 'retrieve' }>;

/** Each measure as it would come out on the spool as it is believed to be. */
const expected = (spool: SpoolGeometry, gear: number): Measure[] => [
  { kind: 'lip', diameter: 2 * spool.lipRadius },
  { kind: 'width', width: spool.width },
  { kind: 'arbor', diameter: 2 * spool.arborRadius },
  { kind: 'retrieve', perTurn: (2 * Math.PI * (spool.lipRadius - spool.ratingDepth) * gear) / 1000, gear },
];

/** One depth read at the join, supposed to come out as planned: how sure the layer above it is then. */
function afterOneDepth(
  { observations, request }: Pick<PlanInput, 'observations' | 'request'>,
  plan: FillPlan,
  priors: SpoolPriors,
): Surer[] {
  const lines = plan.layers.filter(({ request: { kind } }) => kind === 'line');
  const below = lines.at(-2);
  const above = lines.at(-1);
  if (!below || !above || request.gap === undefined || below.request.kind !== 'line') return [];
  const on = lines
    .slice(0, -1)
    .flatMap(({ id, request: { kind }, length }) => (kind === 'line' ? [{ id, metres: length.value }] : []));
  const segments = Object.fromEntries(on.map(({ id, metres }) => [id, [{ metres }]]));
  const read: DepthRead = {
    kind: 'depth',
    layers: lines
      .slice(0, -1)
      .flatMap(({ request: asked, length }) =>
        asked.kind === 'line' ? [{ line: asked.line, length: length.value }] : [],
      ),
    depth: below.depthAfter.value,
    by: 'calliper',
  };
  const [from, to] = [[], [read]].map((reads): number | null => {
    const asPlanned = { ...request, layers: taped(request, plan) };
    const fill = fillUnderWay({ observations, reads, request: asPlanned, segments }, priors);
    const toGap = fill.ok ? restToGap(fill.value, above.id) : fill;
    return toGap.ok ? (toGap.value.layers.find(({ id }) => id === above.id)?.length.sd ?? 0) : null;
  });
  return from == null || to == null ? [] : [{ look: 'depth', layer: above.id, from, to }];
}

/** The request with tape as it was planned: it lies by the time a depth is read. */
const taped = ({ layers }: FillRequest, plan: FillPlan): FillRequest['layers'] =>
  layers.map((layer) =>
    layer.kind === 'tape'
      ? { ...layer, wraps: plan.layers.find(({ id }) => id === layer.id)?.wraps.value ?? 0 }
      : layer,
  );
