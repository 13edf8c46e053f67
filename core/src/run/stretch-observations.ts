import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { segmentsOf } from '../plan/segments';
import type { Observation } from '../spool/observation';
import { goesOf, layersBelow, underlayOf } from './depth-observations';
import { turnsOn, type MeteredStretch } from './metered';
import type { RunState } from './run-state';

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;
type StretchObservation = Extract<Observation, { kind: 'stretch' }>;

/** What a layer's metered stretches say of its spool. */
export interface Metered {
  readonly observations: readonly StretchObservation[];
  /** The layer of each observation. */
  readonly layers: readonly string[];
  /** Stretches that do not go with the others of their layer: line that slipped in the meter, or ran beside it. */
  readonly leftOut: number;
}

/** A meter is read to this length, m, and a stretch is straight to this share. From memory. */
const READ_TO = 0.05;
const STRAIGHT = 0.002;
/** A stretch is left out where its metres a turn lie further off than this share, or this many deviations. */
const SLIPPED = { share: 0.04, deviations: 2 } as const;
/** Fewer stretches than this do not tell which of them is the odd one: nothing is measured yet. */
const ENOUGH = 4;

/**
 * Stretches over a line meter as observations of the spool. Each tells the radius that was being wound at; neighbours are
 * put together, since half a count is a smaller share of more.
 *
 * @param most observations of each layer at most
 */
export function stretchesAsObservations(
  request: FillRequest,
  { stretches, byEye }: Pick<RunState, 'stretches' | 'byEye'>,
  most: number,
): Metered {
  const lines = request.layers.filter((layer): layer is LineLayer => layer.kind === 'line');
  const found = lines.map((layer): Metered => {
    const below = layersBelow(request, layer.id);
    const unsure = below.some((one) => one.kind === 'line' && byEye.has(one.id));
    const own = stretches.filter((one) => one.layer === layer.id);
    if (unsure || own.length === 0) return { observations: [], layers: [], leftOut: 0 };
    const sound = withoutSlips(own);
    const observations = together(sound, most).map((one) => observed(below, layer, one));
    return {
      observations,
      layers: observations.map(() => layer.id),
      leftOut: sound.length > 0 ? own.length - sound.length : 0,
    };
  });
  return {
    observations: found.flatMap(({ observations }) => observations),
    layers: found.flatMap(({ layers }) => layers),
    leftOut: found.reduce((sum, { leftOut }) => sum + leftOut, 0),
  };
}

/** Relative spread of a stretch's metres a turn. */
const spreadOf = ({ length, spoolTurns, step }: MeteredStretch): number =>
  Math.hypot((0.5 * step) / spoolTurns, READ_TO / length, STRAIGHT);

function observed(
  below: readonly LayerRequest[],
  { id, line }: LineLayer,
  stretch: MeteredStretch,
): StretchObservation {
  const { before, spoolTurns, length, meter } = stretch;
  const layers = below.flatMap((one) => {
    if (one.kind !== 'line') return underlayOf(one);
    return one.id === id && segmentsOf(before, id).length === 0 ? [] : goesOf(one, before);
  });
  return { kind: 'stretch', layers, line, spoolTurns, length, sd: spreadOf(stretch), meter };
}

/**
 * The stretches whose metres a turn go with the others. Every turn lies a line's thickness further out than the last, so
 * they lie on one straight line over the turns: drawn through the middle of all slopes, it is not moved by a few that
 * slipped.
 */
function withoutSlips(stretches: readonly MeteredStretch[]): readonly MeteredStretch[] {
  if (stretches.length < ENOUGH) return [];
  const points = stretches.map((one) => ({
    at: middleOf(one),
    each: one.length / one.spoolTurns,
  }));
  const slopes = points.flatMap((a, i) =>
    points.slice(i + 1).flatMap((b) => (b.at === a.at ? [] : [(b.each - a.each) / (b.at - a.at)])),
  );
  const slope = median(slopes);
  const first = median(points.map(({ at, each }) => each - slope * at));
  return stretches.filter((one, i) => {
    const point = points[i];
    if (!point) return false;
    const off = Math.abs(point.each / (first + slope * point.at) - 1);
    return off <= Math.max(SLIPPED.share, SLIPPED.deviations * spreadOf(one));
  });
}

/** Where on its layer a stretch lies, in spool turns. */
const middleOf = ({ before, layer, spoolTurns }: MeteredStretch): number =>
  turnsOn(before, layer) + spoolTurns / 2;

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const upper = sorted[middle] ?? 0;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? 0) + upper) / 2;
}

/** Neighbours that follow each other put together, so that no more than so many are left. */
function together(stretches: readonly MeteredStretch[], most: number): MeteredStretch[] {
  const each = Math.ceil(stretches.length / most);
  const merged: MeteredStretch[] = [];
  let taken = 0;
  for (const one of stretches) {
    const last = merged.at(-1);
    if (last && taken < each && follows(last, one)) {
      merged[merged.length - 1] = {
        ...last,
        length: last.length + one.length,
        spoolTurns: last.spoolTurns + one.spoolTurns,
      };
      taken += 1;
    } else {
      merged.push(one);
      taken = 1;
    }
  }
  // Gaps between stretches may leave more than was asked: the longest say the most.
  return merged.length <= most ? merged : [...merged].sort((a, b) => b.length - a.length).slice(0, most);
}

/** Whether a stretch begins where the last one ended, over the same meter. */
const follows = (last: MeteredStretch, next: MeteredStretch): boolean =>
  last.meter === next.meter &&
  Math.abs(turnsOn(last.before, last.layer) + last.spoolTurns - turnsOn(next.before, next.layer)) < 1e-6;
