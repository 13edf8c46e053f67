import { leastSquares, type LeastSquaresFit } from '../numeric/least-squares';
import type { LayerRequest } from '../plan/fill-request';
import { priorsOf } from '../spool/beliefs';
import { depthSpread, forecastOf, type World } from '../spool/forecast';
import type { Observation } from '../spool/observation';
import { PLACE } from '../spool/parameters';
import { otherStarts, unknownsOf, type Unknowns } from '../spool/unknowns';
import {
  EVIDENCE_SD,
  type DepthEvidence,
  type FillEvidence,
  type LayerEvidence,
  type StretchEvidence,
} from './evidence';
import { freedName, REACH, type Doubt } from './hypotheses';
import { rescaled } from './rescaled';
import { metresOfGoes, radiusWith, shareOn } from './line-wound';
import { woundArea } from '../lines/line';
import { goesSince, segmentsOf, type Segment } from '../plan/segments';
import { radiusBefore } from '../run/by-eye';
import { layersBelow } from '../run/depth-observations';
import { lengthBetween } from '../winding/winding';

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

/** Where everything stands in a settling's vector: the spool and its factors, ln of each layer's length, what is freed. */
export interface SettleProblem {
  readonly unknowns: Unknowns;
  readonly lines: readonly LineLayer[];
  /** Length of a layer under a vector, m. */
  readonly lengthOf: (vector: readonly number[], id: string) => number;
  /** What a settling freed, under a vector; 0 where it freed nothing. */
  readonly freed: (vector: readonly number[], settling: Doubt) => number;
  /** @param from the solution of the same fill with less freed, to start from */
  readonly solve: (from?: readonly number[]) => LeastSquaresFit | null;
}

/**
 * One joint least-squares problem for a fill: the spool with its beliefs and readings, and the length of every layer with
 * all that was seen of it.
 *
 * @param planned length of each layer as it was planned, m
 * @param settlings what is taken to be wrong: its figure is free instead of held to its usual error
 * @param tails whether a count by hand may quietly be a ten off; without, every error is held to be a usual one, which is
 *   how contradictions are looked for
 */
export function settleProblem(
  evidence: FillEvidence,
  planned: (id: string) => number,
  settlings: readonly Doubt[],
  tails: boolean,
): SettleProblem {
  const lines = evidence.request.layers.filter((layer): layer is LineLayer => layer.kind === 'line');
  const metered = evidence.stretches ?? [];
  const base = unknownsOf(
    [...evidence.observations, ...metered.map(({ seen }) => seen)],
    priorsOf(evidence.beliefs),
    lines.map(({ line }) => line),
  );
  const unknowns = freeBeliefs(base, lines, settlings);
  const first = unknowns.mean.length;
  const free = [...new Map(settlings.filter(hasOwnUnknown).map((one) => [freedName(one), one])).values()];
  const places = new Map(free.map((one, i) => [freedName(one), first + lines.length + i]));
  const lengthOf = (vector: readonly number[], id: string): number => {
    const at = lines.findIndex((layer) => layer.id === id);
    return at < 0 ? 0 : Math.exp(Math.min(12, vector[first + at] ?? -30));
  };
  const freed = (vector: readonly number[], one: Doubt): number => {
    const place = places.get(freedName(one));
    return place === undefined ? 0 : (vector[place] ?? 0);
  };
  const residualsOf = (vector: readonly number[]): number[] => {
    const world = unknowns.worldOf(vector);
    const view: View = {
      world,
      tails,
      lengthOf: (id) => lengthOf(vector, id),
      factor: (cause, about = '') => freed(vector, { cause, about }),
    };
    return [
      ...evidence.observations.map((one) => usual(forecastOf(asItIs(one, view))(world), tails)),
      ...lines.flatMap((layer, i) => ofLayer(evidence, layer, evidence.layers[i], planned(layer.id), view)),
      ...evidence.depths.flatMap((read, i) =>
        ofDepth(evidence, read, String(i), view).map((residual) => usual(residual, tails)),
      ),
      ...metered.map((one) => ofStretch(one, view)),
      ...unknowns.mean.map((mean, i) => ((vector[i] ?? 0) - mean) / (unknowns.sd[i] ?? 1)),
      ...free.map((one) => freed(vector, one) / reachOf(one)),
    ];
  };
  const scale = [...unknowns.sd, ...lines.map(() => 0.1), ...free.map(reachOf)];
  const startFrom = (spool: readonly number[]): number[] => [
    ...spool,
    ...startLengths(evidence, lines, planned, unknowns.worldOf(spool)).map(Math.log),
    ...free.map(() => 0),
  ];
  return {
    unknowns,
    lines,
    lengthOf,
    freed,
    solve: (from) => {
      const start = from ? scale.map((_, i) => from[i] ?? 0) : startFrom(unknowns.mean);
      const others = from ? [] : otherStarts(unknowns).map(startFrom);
      return leastSquares(residualsOf, start, { scale, others });
    },
  };
}

interface View {
  readonly world: World;
  readonly tails: boolean;
  readonly lengthOf: (id: string) => number;
  readonly factor: (cause: Doubt['cause'], about?: string) => number;
}

const reachOf = ({ cause }: Doubt): number => (cause === 'none' ? 1 : REACH[cause]);

/** A reading of the bare spool without what is taken to be wrong with it. */
function asItIs(seen: Observation, { factor }: Pick<View, 'factor'>): Observation {
  if (seen.kind === 'lip') return { ...seen, diameter: seen.diameter - factor('lip') };
  return seen.kind === 'arbor' ? { ...seen, diameter: seen.diameter - factor('barrel') } : seen;
}

/** Packing and a line's bulk are among the unknowns already: their beliefs widen instead. */
const hasOwnUnknown = ({ cause }: Doubt): boolean =>
  cause !== 'none' && cause !== 'packing' && cause !== 'line';

function freeBeliefs(base: Unknowns, lines: readonly LineLayer[], settlings: readonly Doubt[]): Unknowns {
  const sd = [...base.sd];
  for (const { cause, about } of settlings) {
    if (cause === 'packing') sd[PLACE.packing] = REACH.packing;
    const key = lines.find(({ id }) => id === about)?.line.key;
    const at = base.lines.findIndex((line) => line.key === key);
    if (cause === 'line' && at >= 0)
      sd[base.sd.length - base.factors.length - base.lines.length + at] = REACH.line;
  }
  return { ...base, sd };
}

/** A miscount by hand is often a whole ten: beyond two deviations more is less unlikely than a normal error makes it. */
const TAIL = 4;
const heavyTailed = (residual: number): number =>
  Math.sign(residual) * Math.sqrt(TAIL * Math.log1p(residual ** 2 / TAIL));

const usual = (residual: number, tails: boolean): number => (tails ? heavyTailed(residual) : residual);

/** All that speaks of one layer's length. */
function ofLayer(
  evidence: FillEvidence,
  layer: LineLayer,
  seen: LayerEvidence | undefined,
  planned: number,
  { world, tails, lengthOf, factor }: View,
): number[] {
  const length = Math.log(lengthOf(layer.id));
  const factors = {
    factor: Math.exp(factor('gear') + factor('count', layer.id)),
    scale: Math.exp(factor('meter')),
  };
  const asPlanned = (metres: number, of: number): number =>
    (logOf(metres) - logOf(Math.max(0.5, of))) / EVIDENCE_SD.plan;
  if (!seen) return [asPlanned(lengthOf(layer.id), planned)];
  const { goes, byEye, weighed } = seen;
  const rest: number[] = [];
  if (byEye) {
    const before = lengthBefore(evidence, layer, goes, { world, lengthOf, factors });
    rest.push(asPlanned(before, byEye.planned));
  } else rest.push(asPlanned(lengthOf(layer.id), planned));
  if (goes.length > 0 && !byEye) {
    const inner = radiusWith(world, below(evidence, layer.id), lengthOf);
    const counted = Math.max(0.01, metresOfGoes(world, layer, inner, goes, factors));
    const residual = (length - Math.log(counted)) / countSpread(seen);
    rest.push(tails && seen.countedBy === 'hand' ? heavyTailed(residual) : residual);
  }
  rest.push(...ofPiece(seen, length - factor('piece', layer.id)));
  if (weighed) rest.push((lengthOf(layer.id) - weighed.length) / Math.max(0.1, weighed.sd));
  return rest;
}

/** The logarithm of a length, going on straight below half a metre: what would be less than nothing is told from nothing. */
const logOf = (metres: number): number =>
  metres >= 0.5 ? Math.log(metres) : Math.log(0.5) + (metres - 0.5) / 0.5;

/** What a layer's piece says of its length: what is left on one that nobody used up says nothing. */
function ofPiece({ piece, usedUp }: LayerEvidence, length: number): number[] {
  if (!piece) return [];
  const held = Math.max(0.1, piece.length) * (piece.sealed ? 1 + EVIDENCE_SD.pack.over : 1);
  const spread = Math.max(0.003, piece.sealed ? EVIDENCE_SD.pack.sd : piece.sd / Math.max(1, piece.length));
  const over = (length - Math.log(held)) / spread;
  // More than it held cannot have come off it.
  return [usedUp ? over : Math.max(0, over)];
}

/** Length of a layer before the last goes went on, m: they are unwound from where it ends. Below zero where they are more. */
function lengthBefore(
  evidence: Pick<FillEvidence, 'request'>,
  layer: LineLayer,
  goes: readonly Segment[],
  { world, lengthOf, factors }: Pick<View, 'world' | 'lengthOf'> & { readonly factors: Factors },
): number {
  const { width, packing } = world.spool;
  const under = below(evidence, layer.id);
  const inner = radiusWith(world, under, lengthOf);
  const outer = radiusWith(world, [...under, layer], lengthOf);
  const area = woundArea(layer.line.diameter, world.bulkOf(layer.line), packing);
  const before = radiusBefore(
    outer,
    goes.map((go) => rated(go, factors)),
    { width, area },
  );
  if (before > inner) return lengthBetween(width, inner, before, area);
  return Math.min(0, lengthOf(layer.id) - metresOfGoes(world, layer, inner, goes, factors));
}

interface Factors {
  readonly factor: number;
  readonly scale: number;
}

const rated = (go: Segment, { factor, scale }: Factors): Segment =>
  'metres' in go ? { metres: go.metres * scale } : { spoolTurns: go.spoolTurns * factor };

const below = ({ request: { layers } }: Pick<FillEvidence, 'request'>, id: string): readonly LayerRequest[] =>
  layers.slice(
    0,
    layers.findIndex((layer) => layer.id === id),
  );

/** Relative spread of what a layer's count comes to. */
export function countSpread({ goes, per, countedBy }: LayerEvidence): number {
  const turns = goes.reduce((sum, go) => sum + ('spoolTurns' in go ? Math.abs(go.spoolTurns) / per : 0), 0);
  const usual = EVIDENCE_SD[countedBy];
  const byTurns = turns > 0 ? Math.hypot(usual.turns, usual.share * turns) / turns : 0;
  const metered = goes.some((go) => 'metres' in go);
  return Math.max(
    0.002,
    turns > 0 && metered ? Math.max(byTurns, EVIDENCE_SD.meter) : metered ? EVIDENCE_SD.meter : byTurns,
  );
}

/** What a metered stretch says of the radius it was wound at, with its turns and its metres as they are taken to be. */
function ofStretch({ layer, seen }: StretchEvidence, { world, factor }: View): number {
  const turned = rescaled(seen, Math.exp(factor('gear') + factor('count', layer)));
  return forecastOf({ ...turned, length: seen.length * Math.exp(factor('meter')) })(world);
}

/** What a depth says of all that was on when it was read. */
function ofDepth(
  evidence: FillEvidence,
  read: DepthEvidence,
  place: string,
  { world, lengthOf, factor }: View,
): number[] {
  const shares = new Map<string, number>();
  const seen = layersBelow(evidence.request, read.after);
  if (seen.some(({ id }) => read.untold?.includes(id))) return [0];
  for (const { id, goes, byEye } of evidence.layers) {
    const layer = seen.find((one): one is LineLayer => one.kind === 'line' && one.id === id);
    if (byEye) {
      shares.set(id, layer ? shareBefore(evidence, layer, goes, read, { world, lengthOf, factor }) : 0);
      continue;
    }
    const later = evidence.depths.slice(Number(place) + 1).some(({ after }) => after === id);
    const share = shareOn(evidence.request, read, id, goes, !later && goes.length === 0);
    if (share === null) return [0];
    shares.set(id, share);
  }
  const on = evidence.request.layers.filter(
    (layer) => layer.kind !== 'line' || (shares.get(layer.id) ?? 0) > 0,
  );
  const radius = radiusWith(world, on, (id) => (shares.get(id) ?? 0) * lengthOf(id));
  const expected = world.spool.lipRadius - radius + factor('depth', place);
  const spread = depthSpread({ kind: 'depth', layers: [], depth: read.depth, by: read.by });
  return [(read.depth - expected) / spread];
}

/** How much of a layer wound by eye was on when a depth was read, as a share of what is on at the end. */
function shareBefore(
  evidence: FillEvidence,
  layer: LineLayer,
  goes: readonly Segment[],
  read: DepthEvidence,
  { world, lengthOf, factor }: Omit<View, 'tails'>,
): number {
  const factors = { factor: Math.exp(factor('gear')), scale: Math.exp(factor('meter')) };
  const later = goesSince(segmentsOf(read.wound, layer.id), goes);
  if (later.length === 0) return 1;
  return Math.max(0, lengthBefore(evidence, layer, later, { world, lengthOf, factors }) / lengthOf(layer.id));
}

/** Lengths to start from: as counted in this world, as the piece held, or as planned. */
const startLengths = (
  evidence: FillEvidence,
  lines: readonly LineLayer[],
  planned: (id: string) => number,
  world: World,
): number[] =>
  lines.map((layer, i) => {
    const seen = evidence.layers[i];
    if (seen?.usedUp && seen.piece) return Math.max(0.5, seen.piece.length);
    if (!seen || seen.goes.length === 0) return Math.max(0.5, planned(layer.id));
    const inner = radiusWith(world, below(evidence, layer.id), planned);
    const counted = metresOfGoes(world, layer, inner, seen.goes);
    return Math.max(0.5, seen.byEye ? seen.byEye.planned + counted : counted);
  });
