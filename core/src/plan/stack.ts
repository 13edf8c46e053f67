import { woundArea, type Line } from '../lines/line';
import { meanArborRadius, type SpoolGeometry } from '../spool/spool-geometry';
import { turnsBetween } from '../winding/winding';
import type { FillRequest, LayerRequest } from './fill-request';

/** One layer as it comes to lie: radii in mm, length in m, spool turns. Tape and reducers have no turns of line. */
export interface StackedLayer {
  readonly id: string;
  readonly length: number;
  /** Tape wraps; 0 for line. */
  readonly wraps: number;
  readonly inner: number;
  readonly outer: number;
  readonly spoolTurns: number;
}

/** A spool filled as asked, in plain numbers. */
export interface Stack {
  readonly layers: readonly StackedLayer[];
  /** Depth of the last surface below the lip, mm; negative where it stands proud. */
  readonly gap: number;
  /** Space the unknown layer was given, mm³; negative where the known layers alone do not fit. */
  readonly room: number | null;
  /** Lip radius and winding width of the spool it lies on, mm. */
  readonly lipRadius: number;
  readonly width: number;
}

type BulkOf = (line: Line) => number;

/** Wound area per length of a line on a spool, mm². */
const areaOn = (line: Line, spool: SpoolGeometry, bulkOf: BulkOf): number =>
  woundArea(line.diameter, bulkOf(line), spool.packing);

/**
 * Winds the layers of a request on one exactly known spool and solves for its one unknown. Pure volume balance:
 * the known layers' volumes are taken from the space up to the gap, and the unknown gets the rest.
 */
export function stackLayers(spool: SpoolGeometry, bulkOf: BulkOf, request: FillRequest): Stack {
  const unknown = request.layers.findIndex(isUnknown);
  const room = unknown < 0 ? null : roomFor(unknown, spool, bulkOf, request);
  let squared = spool.arborRadius ** 2;
  const layers = request.layers.map((layer, i) => {
    const inner = Math.sqrt(squared);
    const volume = i === unknown ? Math.max(0, room ?? 0) : volumeOf(layer, inner, spool, bulkOf);
    squared += volume / (Math.PI * spool.width);
    return describe(layer, { volume, inner, outer: Math.sqrt(squared) }, spool, bulkOf);
  });
  shareSplices(layers, request.layers, spool, bulkOf);
  return {
    layers,
    gap: spool.lipRadius - Math.sqrt(squared),
    room,
    lipRadius: spool.lipRadius,
    width: spool.width,
  };
}

/** Whether this layer is the one to be solved for. */
export const isUnknown = (layer: LayerRequest): boolean =>
  (layer.kind === 'line' && layer.length === 'fits') || (layer.kind === 'tape' && layer.wraps === 'fits');

function roomFor(
  unknown: number,
  spool: SpoolGeometry,
  bulkOf: BulkOf,
  { layers, gap = 0 }: FillRequest,
): number {
  const full = spool.lipRadius - gap;
  const above = layers
    .slice(unknown + 1)
    .reduce((sum, layer) => sum + volumeOf(layer, spool.arborRadius, spool, bulkOf), 0);
  let inner = spool.arborRadius;
  for (const layer of layers.slice(0, unknown)) {
    inner = Math.sqrt(inner ** 2 + volumeOf(layer, inner, spool, bulkOf) / (Math.PI * spool.width));
  }
  return Math.PI * spool.width * (full * Math.abs(full) - inner ** 2) - above;
}

/** Space a layer of known amount takes on top of a radius, mm³. */
function volumeOf(layer: LayerRequest, inner: number, spool: SpoolGeometry, bulkOf: BulkOf): number {
  const upTo = (radius: number): number => Math.max(0, Math.PI * spool.width * (radius ** 2 - inner ** 2));
  switch (layer.kind) {
    case 'line':
      return 1000 * Number(layer.length) * areaOn(layer.line, spool, bulkOf);
    case 'tape':
      return upTo(inner + Number(layer.wraps) * layer.thickness);
    case 'reducer':
      return upTo(layer.diameter / 2);
    case 'retained':
      return 'depth' in layer.left
        ? upTo(spool.lipRadius - layer.left.depth)
        : 1000 * layer.left.length * areaOn(layer.line, spool, bulkOf);
  }
}

function describe(
  layer: LayerRequest,
  { volume, inner, outer }: { volume: number; inner: number; outer: number },
  spool: SpoolGeometry,
  bulkOf: BulkOf,
): StackedLayer {
  const base = { id: layer.id, inner, outer };
  if (layer.kind === 'tape')
    return { ...base, length: 0, wraps: (outer - inner) / layer.thickness, spoolTurns: 0 };
  if (layer.kind === 'reducer') return { ...base, length: 0, wraps: 0, spoolTurns: 0 };
  const area = areaOn(layer.line, spool, bulkOf);
  const length = volume / (1000 * area);
  return { ...base, length, wraps: 0, spoolTurns: turnsOnto(inner, outer, area, length, spool) };
}

/**
 * On a tapered arbor the first layer's turns follow the mean radius while its volume follows the root mean square;
 * a layer too thin to level the taper is counted round the mean radius.
 */
function turnsOnto(inner: number, outer: number, area: number, length: number, spool: SpoolGeometry): number {
  const onArbor = inner <= spool.arborRadius;
  const from = onArbor ? meanArborRadius(spool) : inner;
  const turns = turnsBetween(spool.width, from, outer, area);
  return onArbor && spool.taper > 0 ? Math.min(turns, (1000 * length) / (2 * Math.PI * from)) : turns;
}

/**
 * Where the start of a layer lies inside the end of the one below, one turn of the spool takes up both. Those turns
 * are counted with the upper layer; the lower one stops short of them.
 */
function shareSplices(
  stacked: StackedLayer[],
  layers: readonly LayerRequest[],
  spool: SpoolGeometry,
  bulkOf: BulkOf,
): void {
  layers.forEach((layer, i) => {
    const below = layers[i - 1];
    const [lower, upper] = [stacked[i - 1], stacked[i]];
    if (layer.kind !== 'line' || !layer.overlap || below?.kind !== 'line' || !lower || !upper) return;
    const [under, over] = [areaOn(below.line, spool, bulkOf), areaOn(layer.line, spool, bulkOf)];
    const per = Math.PI * spool.width;
    const start = Math.sqrt(
      Math.max(lower.inner ** 2, upper.inner ** 2 - (1000 * layer.overlap * under) / per),
    );
    const end = Math.min(upper.outer, Math.sqrt(upper.inner ** 2 + (1000 * layer.overlap * over) / per));
    const together = turnsBetween(spool.width, start, end, under + over);
    stacked[i - 1] = {
      ...lower,
      spoolTurns: lower.spoolTurns - turnsBetween(spool.width, start, upper.inner, under),
    };
    stacked[i] = { ...upper, spoolTurns: together + turnsBetween(spool.width, end, upper.outer, over) };
  });
}
