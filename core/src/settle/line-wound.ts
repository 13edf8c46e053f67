import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { layersBelow, underlayOf } from '../run/depth-observations';
import { segmentsOf, type Segment } from '../plan/segments';
import { surfaceRadius, type World } from '../spool/forecast';
import { woundArea } from '../lines/line';
import { lengthBetween, radiusAfter } from '../winding/winding';
import type { DepthEvidence } from './evidence';

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

/** Radius the surface stands at with these lengths on, mm; layers without one are not on yet. */
export function radiusWith(
  world: World,
  layers: readonly LayerRequest[],
  lengthOf: (id: string) => number,
): number {
  return surfaceRadius(
    world,
    layers.flatMap((layer) =>
      layer.kind === 'line' ? [{ line: layer.line, length: lengthOf(layer.id) }] : underlayOf(layer),
    ),
  );
}

/**
 * Metres a layer's goes come to in a world, m, from where the layers below it end.
 *
 * @param factor by which the turns counted are wrong
 * @param scale by which the meter's metres are
 */
export function metresOfGoes(
  { spool, bulkOf }: World,
  layer: LineLayer,
  inner: number,
  goes: readonly Segment[],
  { factor = 1, scale = 1 }: { readonly factor?: number; readonly scale?: number } = {},
): number {
  const area = woundArea(layer.line.diameter, bulkOf(layer.line), spool.packing);
  let radius = inner;
  let length = 0;
  for (const go of goes) {
    if ('metres' in go) {
      length += go.metres * scale;
      radius = radiusAfter(spool.width, radius, area, go.metres * scale);
    } else {
      const outer = radius + (go.spoolTurns * factor * area) / spool.width;
      length += lengthBetween(spool.width, radius, outer, area);
      radius = outer;
    }
  }
  return length;
}

/** Size of goes by any measure they share: for telling how much of a layer was on at a moment. */
const amount = (goes: readonly Segment[]): number =>
  goes.reduce((sum, go) => sum + Math.abs('metres' in go ? go.metres : go.spoolTurns / 8), 0);

/** More than this many times what is on at the end was never on before. */
const MOST = 3;

/**
 * How much of a layer was on when a depth was read, as a share of what is on at the end: by the counts then and now, so
 * that a depth in the middle of a layer counts, and one before line was taken off again. Null where that cannot be told, in
 * the middle of a layer wound by eye.
 */
export function shareOn(
  request: FillRequest,
  read: DepthEvidence,
  id: string,
  goes: readonly Segment[],
  finished: boolean,
): number | null {
  if (!layersBelow(request, read.after).some((layer) => layer.id === id)) return 0;
  const whole = amount(goes);
  if (whole === 0) return read.after !== id || finished ? 1 : null;
  return Math.min(MOST, amount(segmentsOf(read.wound, id)) / whole);
}
