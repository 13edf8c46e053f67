import { turnsBetween } from '../winding/winding';
import type { LayerRequest } from './fill-request';
import { areaOn, type OnSpool, type StackedLayer } from './on-spool';

/**
 * Where the start of a layer lies inside the end of the one below, one turn of the spool takes up both. Those turns
 * are counted with the upper layer; the lower one stops short of them.
 */
export function shareSplices(
  asStacked: readonly StackedLayer[],
  layers: readonly LayerRequest[],
  on: OnSpool,
): StackedLayer[] {
  const stacked = [...asStacked];
  const { width } = on.spool;
  layers.forEach((layer, i) => {
    const below = layers[i - 1];
    const lower = stacked[i - 1];
    const upper = stacked[i];
    if (layer.kind !== 'line' || !layer.overlap || below?.kind !== 'line' || !lower || !upper) return;
    const under = areaOn(below.line, on);
    const over = areaOn(layer.line, on);
    const per = Math.PI * width;
    const start = Math.sqrt(
      Math.max(lower.inner ** 2, upper.inner ** 2 - (1000 * layer.overlap * under) / per),
    );
    const end = Math.min(upper.outer, Math.sqrt(upper.inner ** 2 + (1000 * layer.overlap * over) / per));
    const together = turnsBetween(width, start, end, under + over);
    stacked[i - 1] = {
      ...lower,
      spoolTurns: lower.spoolTurns - turnsBetween(width, start, upper.inner, under),
    };
    stacked[i] = { ...upper, spoolTurns: together + turnsBetween(width, end, upper.outer, over) };
  });
  return stacked;
}
