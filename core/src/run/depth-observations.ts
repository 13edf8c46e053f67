import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { READING_SD } from '../spool/priors';
import type { Observation, WoundLength } from '../spool/observation';
import type { DepthReading, RunState } from './run-state';
import { segmentsOf, type Segments } from '../plan/segments';

/** Depths read at the gap are read after the last layer. */
export const AT_THE_GAP = 'gap';

/** Tape gives: its thickness is this unsure, as a share. From memory. */
const TAPE_SD = 0.1;
/** How unsure the radius a reducer gives is, mm. From memory. */
const REDUCER_SD = 0.25;

/** The layers that lie on the spool when a depth is read after one of them; none for a layer that is not there. */
export function layersBelow({ layers }: FillRequest, after: string): readonly LayerRequest[] {
  if (after === AT_THE_GAP) return layers;
  const last = layers.findIndex(({ id }) => id === after);
  return layers.slice(0, last + 1);
}

/** What lies below the line that is wound, as observations see it: a radius, or a rise, with its own spread. */
export function underlayOf(layer: LayerRequest): WoundLength[] {
  switch (layer.kind) {
    case 'line':
      return [];
    case 'tape': {
      const rise = Number(layer.wraps) * layer.thickness;
      return Number.isFinite(rise) ? [{ rise, sd: TAPE_SD * rise }] : [];
    }
    case 'reducer':
      return [{ radius: layer.diameter / 2, sd: REDUCER_SD }];
    case 'retained':
      if ('length' in layer.left) return [{ line: layer.line, length: layer.left.length }];
      // A share is seen, not measured; once a run is under way it has become a depth (`requestWound`).
      return 'depth' in layer.left ? [{ below: layer.left.depth, sd: READING_SD.calliper }] : [];
  }
}

/** Line as it was counted, go after go. */
export const goesOf = (layer: Extract<LayerRequest, { kind: 'line' }>, wound: Segments): WoundLength[] =>
  segmentsOf(wound, layer.id).flatMap((go): WoundLength[] => {
    const { line } = layer;
    if ('metres' in go) return go.metres > 0 ? [{ line, length: go.metres }] : [];
    return go.spoolTurns > 0 ? [{ line, spoolTurns: go.spoolTurns }] : [];
  });

/**
 * Depths read in a run as observations of its spool: what was on it by the counts at that moment, over whatever lies
 * below. A layer wound by eye has no count to learn from, so depths above it say nothing of the spool.
 */
export function depthsAsObservations(
  request: FillRequest,
  { depths, byEye }: Pick<RunState, 'depths' | 'byEye'>,
): Extract<Observation, { kind: 'depth' }>[] {
  return depths.flatMap(({ after, depth, by, wound, byEye: then }: DepthReading) => {
    const below = layersBelow(request, after);
    const lines = below.filter((layer) => layer.kind === 'line');
    const counted = lines.some(({ id }) => segmentsOf(wound, id).length > 0);
    if (!counted || lines.some(({ id }) => byEye.has(id) || then.has(id))) return [];
    const layers = below.flatMap((layer) =>
      layer.kind === 'line' ? goesOf(layer, wound) : underlayOf(layer),
    );
    return [{ kind: 'depth', layers, depth, by }];
  });
}
