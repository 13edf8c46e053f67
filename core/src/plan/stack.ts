import type { Line } from '../lines/line';
import type { SpoolGeometry } from '../spool/spool-geometry';
import { turnsBetween } from '../winding/winding';
import type { Level } from '../quantities/level';
import type { FillRequest, LayerRequest } from './fill-request';
import { areaOn, type BulkOf, type OnSpool, type StackedLayer } from './on-spool';
import { shareSplices } from './share-splices';

/** A spool filled as asked, in plain numbers. */
export interface Stack {
  readonly layers: readonly StackedLayer[];
  /** The same before splices share their turns. */
  readonly lying: readonly StackedLayer[];
  /**
   * The same with the unknown layer left below zero where the others alone do not fit: what its range is worked out from,
   * since a figure that is cut off has no slope.
   */
  readonly free: readonly StackedLayer[];
  /** Depth of the last surface below the lip, mm; negative where it stands proud. */
  readonly gap: number;
  /** Space the unknown layer was given, mm³; negative where the known layers alone do not fit. */
  readonly room: number | null;
  /** Lip radius and winding width of the spool it lies on, mm. */
  readonly lipRadius: number;
  readonly width: number;
}

/** Square and square root that keep their sign, so that a space too small by some is told from one too small by more. */
const squareOf = (radius: number): number => radius * Math.abs(radius);
const rootOf = (squared: number): number => Math.sign(squared) * Math.sqrt(Math.abs(squared));

/**
 * Winds the layers of a request on one exactly known spool and solves for its one unknown: from the arbor up to it, from
 * the gap down to it, each layer at the radius it really lies at.
 */
export function stackLayers(spool: SpoolGeometry, bulkOf: BulkOf, request: FillRequest): Stack {
  const on = { spool, bulkOf };
  const unknown = request.layers.findIndex(isUnknown);
  const free = unknown < 0 ? stackUp(on, request.layers) : solve(on, request, unknown);
  const gave = free[unknown];
  const room = gave ? Math.PI * spool.width * (squareOf(gave.outer) - squareOf(gave.inner)) : null;
  const fits = room === null || room >= 0;
  const layers = fits ? free : stackUp(on, request.layers);
  return {
    layers: shareSplices(layers, request.layers, on),
    lying: layers,
    free,
    gap: spool.lipRadius - (layers.at(-1)?.outer ?? spool.arborRadius),
    room,
    lipRadius: spool.lipRadius,
    width: spool.width,
  };
}

/** Whether this layer is the one to be solved for. */
export const isUnknown = (layer: LayerRequest): boolean =>
  (layer.kind === 'line' && layer.length === 'fits') || (layer.kind === 'tape' && layer.wraps === 'fits');

/** Whether this layer is filled up to a level, whatever length that takes. */
export const isLevelled = (layer: LayerRequest): boolean =>
  layer.kind === 'line' && typeof layer.length === 'object';

/** Layer upon layer from the arbor; an unknown one gets nothing. */
function stackUp(on: OnSpool, layers: readonly LayerRequest[]): StackedLayer[] {
  let inner = on.spool.arborRadius;
  const bottom = bottomOf(on.spool, layers);
  return layers.map((layer) => {
    const outer = isUnknown(layer) ? inner : above(layer, inner, { ...on, bottom });
    const stacked = describe(layer, inner, outer, on);
    inner = outer;
    return stacked;
  });
}

function solve(on: OnSpool, { layers, gap = 0 }: FillRequest, unknown: number): StackedLayer[] {
  const below = stackUp(on, layers.slice(0, unknown));
  const inner = below.at(-1)?.outer ?? on.spool.arborRadius;
  let outer = on.spool.lipRadius - gap;
  const over = layers
    .slice(unknown + 1)
    .reverse()
    .map((layer) => {
      const under = beneath(layer, outer, on);
      const stacked = describe(layer, under, outer, on);
      outer = under;
      return stacked;
    })
    .reverse();
  const solved = layers[unknown];
  return [...below, ...(solved ? [describe(solved, inner, outer, on)] : []), ...over];
}

/** Squared radius a length of line adds, mm². */
const ring = (length: number, line: Line, on: OnSpool): number =>
  (1000 * length * areaOn(line, on)) / (Math.PI * on.spool.width);

/** Radius line is wound on at first: the bare arbor's, or a reducer's on it, mm. What is seen of a spool begins there. */
export const bottomOf = ({ arborRadius }: SpoolGeometry, layers: readonly LayerRequest[]): number =>
  layers.reduce(
    (radius, layer) => (layer.kind === 'reducer' ? Math.max(radius, layer.diameter / 2) : radius),
    arborRadius,
  );

/** Radius of a level, mm; a share is of the depth between `bottom` and the lip, or of the line that fits there, its middle. */
export function levelRadius(level: Level, lip: number, bottom: number): number {
  if ('depth' in level) return lip - level.depth;
  const [least, most] = level.share;
  const part = (least + most) / 2;
  // Length goes by the area of the rings: half of it takes more than half of the depth.
  return level.of === 'length'
    ? Math.sqrt(bottom ** 2 + part * (lip ** 2 - bottom ** 2))
    : bottom + part * (lip - bottom);
}

/** Where the surface stands once a layer of known amount lies on a radius, mm. Nothing ever lowers it. */
function above(layer: LayerRequest, inner: number, on: OnSpool & { readonly bottom: number }): number {
  const upTo = (level: Level): number => Math.max(inner, levelRadius(level, on.spool.lipRadius, on.bottom));
  switch (layer.kind) {
    case 'line':
      return typeof layer.length === 'object'
        ? upTo(layer.length)
        : rootOf(squareOf(inner) + ring(Number(layer.length), layer.line, on));
    case 'tape':
      return inner + Number(layer.wraps) * layer.thickness;
    case 'reducer':
      return Math.max(inner, layer.diameter / 2);
    case 'retained':
      return 'length' in layer.left
        ? rootOf(squareOf(inner) + ring(layer.left.length, layer.line, on))
        : upTo(layer.left);
  }
}

/** Where the surface stood before a layer that ends at a radius, mm; below zero where there is no such spool. */
function beneath(layer: LayerRequest, outer: number, on: OnSpool): number {
  if (layer.kind === 'tape') return outer - Number(layer.wraps) * layer.thickness;
  if (layer.kind === 'line') return rootOf(squareOf(outer) - ring(Number(layer.length), layer.line, on));
  return outer;
}

function describe(layer: LayerRequest, inner: number, outer: number, on: OnSpool): StackedLayer {
  const base = { id: layer.id, inner, outer, length: 0, wraps: 0, spoolTurns: 0 };
  if (layer.kind === 'tape') return { ...base, wraps: (outer - inner) / layer.thickness };
  if (layer.kind === 'reducer') return base;
  const { width } = on.spool;
  const area = areaOn(layer.line, on);
  return {
    ...base,
    length: (Math.PI * width * (squareOf(outer) - squareOf(inner))) / (1000 * area),
    spoolTurns: turnsBetween(width, inner, outer, area),
  };
}

/**
 * The gap a fill comes to on a spool when each layer is wound to so many spool turns, or wraps, whatever length that
 * brings in, mm.
 */
export function gapByTurns(
  spool: SpoolGeometry,
  bulkOf: BulkOf,
  { layers }: FillRequest,
  wound: readonly Pick<StackedLayer, 'spoolTurns' | 'wraps'>[],
): number {
  const on = { spool, bulkOf, bottom: bottomOf(spool, layers) };
  let radius = spool.arborRadius;
  layers.forEach((layer, i) => {
    const { spoolTurns = 0, wraps = 0 } = wound[i] ?? {};
    if (layer.kind === 'line') radius += (spoolTurns * areaOn(layer.line, on)) / spool.width;
    else radius = layer.kind === 'tape' ? radius + wraps * layer.thickness : above(layer, radius, on);
  });
  return spool.lipRadius - radius;
}
