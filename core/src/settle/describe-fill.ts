import { woundArea } from '../lines/line';
import { jacobianOf, propagate } from '../numeric/jacobian';
import type { LayerRequest } from '../plan/fill-request';
import { spoolRanged } from '../numeric/ranged';
import { priorsOf } from '../spool/beliefs';
import type { World } from '../spool/forecast';
import { bulkBelief, decodeSpool } from '../spool/parameters';
import { lengthBetween, turnsBetween } from '../winding/winding';
import type { FillEvidence } from './evidence';
import { radiusWith } from './line-wound';
import type { Basis, SettledFill, SettledLayer } from './settled-fill';
import type { Solved } from './solved';

/** A solved fill in the figures people ask for, each with its range. */
export function describeFill(
  evidence: FillEvidence,
  { problem, fit }: Solved,
): Omit<SettledFill, 'question'> {
  const { unknowns, lines, lengthOf, freed } = problem;
  const { layers } = evidence.request;
  const lies = (vector: readonly number[]): Lying[] =>
    lyingIn(unknowns.worldOf(vector), evidence, (id) => lengthOf(vector, id));
  const gapOf = (vector: readonly number[]): number =>
    unknowns.worldOf(vector).spool.lipRadius - (lies(vector).at(-1)?.outer ?? 0);
  const figures = (vector: readonly number[]): number[] => [
    ...lies(vector).flatMap(({ handleTurns, length }) => [handleTurns, length]),
    gapOf(vector),
  ];
  const sds = propagate(jacobianOf(figures, fit.vector), fit.covariance);
  const { lipRadius } = unknowns.worldOf(fit.vector).spool;
  const spoolSize = unknowns.mean.length - unknowns.factors.length;
  return {
    layers: lies(fit.vector).map(({ inner, outer, handleTurns, length }, i): SettledLayer => {
      const id = layers[i]?.id ?? '';
      return {
        id,
        length: spoolRanged(length, sds[2 * i + 1] ?? 0, 0),
        handleTurns: spoolRanged(handleTurns, sds[2 * i] ?? 0, 0),
        innerRadius: inner,
        outerRadius: outer,
        depthAfter: lipRadius - outer,
        restsOn: lines.some((line) => line.id === id) ? restsOn(evidence, id) : [],
      };
    }),
    gap: spoolRanged(gapOf(fit.vector), sds.at(-1) ?? 0),
    spool: {
      vector: fit.vector.slice(0, spoolSize),
      covariance: fit.covariance.slice(0, spoolSize).map((row) => row.slice(0, spoolSize)),
      lines: unknowns.lines,
      priors: priorsOf(evidence.beliefs),
      spool: decodeSpool(fit.vector),
    },
    factors: unknowns.factors.map((factor, i) => ({
      ...factor,
      value: fit.vector[spoolSize + i] ?? 0,
      variance: fit.covariance[spoolSize + i]?.[spoolSize + i] ?? 0,
    })),
    gearFactor: Math.exp(freed(fit.vector, { cause: 'gear', about: '' })),
    countFactor: (id) =>
      Math.exp(
        freed(fit.vector, { cause: 'gear', about: '' }) + freed(fit.vector, { cause: 'count', about: id }),
      ),
  };
}

/** One layer as it lies in a world. */
interface Lying {
  readonly inner: number;
  readonly outer: number;
  readonly handleTurns: number;
  readonly length: number;
}

function lyingIn(
  world: World,
  { request: { layers, gear }, beliefs }: FillEvidence,
  lengthOf: (id: string) => number,
): Lying[] {
  const { spool, bulkOf } = world;
  let inner = spool.arborRadius;
  return layers.map((layer, i): Lying => {
    const outer = radiusWith(world, layers.slice(0, i + 1), lengthOf);
    const from = inner;
    inner = outer;
    const base = { inner: from, outer, handleTurns: 0, length: 0 };
    if (layer.kind === 'line') {
      const area = woundArea(layer.line.diameter, bulkOf(layer.line), spool.packing);
      const turns = turnsBetween(spool.width, from, outer, area);
      return { ...base, handleTurns: turns / gear, length: lengthOf(layer.id) };
    }
    return layer.kind === 'retained'
      ? { ...base, length: keptLength(layer, from, outer, spool, beliefs) }
      : base;
  });
}

/** Old line that stayed on, by the room it takes, m. */
function keptLength(
  { line }: Extract<LayerRequest, { kind: 'retained' }>,
  inner: number,
  outer: number,
  { width, packing }: World['spool'],
  beliefs: FillEvidence['beliefs'],
): number {
  const { median } = bulkBelief(line, priorsOf(beliefs));
  return lengthBetween(width, inner, outer, woundArea(line.diameter, median, packing));
}

function restsOn({ layers, depths, request, stretches = [] }: FillEvidence, id: string): Basis[] {
  const seen = layers.find((layer) => layer.id === id);
  if (!seen) return ['plan'];
  const last = request.layers.at(-1)?.id === id;
  const looked = depths.some(({ after }) => after === id || (last && after === 'gap'));
  const metered = seen.goes.some((go) => 'metres' in go) || stretches.some(({ layer }) => layer === id);
  const counted = seen.goes.some((go) => 'spoolTurns' in go);
  const basis: Basis[] = [
    ...(counted ? [seen.countedBy === 'device' ? ('counter' as const) : ('hand-count' as const)] : []),
    ...(metered ? ['meter' as const] : []),
    ...(looked ? ['depth' as const] : []),
    ...(seen.usedUp && seen.piece ? ['used-up' as const] : []),
    ...(seen.weighed ? ['weighed' as const] : []),
  ];
  return basis.length > 0 ? basis : ['plan'];
}
