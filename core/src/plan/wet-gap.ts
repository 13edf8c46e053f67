import type { SpoolGeometry } from '../spool/spool-geometry';
import type { FillRequest, LayerRequest } from './fill-request';
import type { Stack } from './stack';

/**
 * The gap a fill comes to when its nylon has taken up all the water it can, mm: the same lengths take more room. Line
 * that was soaked before it was wound has swollen already by its share, so that none is left where it was soaked to
 * the full. The swelling is of the diameter, as a share, at saturation; from memory.
 *
 * @returns least and most gap for the range of swelling; null where there is no nylon on the spool
 */
export function wetGapOf(
  spool: SpoolGeometry,
  { layers }: FillRequest,
  dry: Stack,
  [least, most]: readonly [number, number],
): { readonly low: number; readonly high: number } | null {
  if (!layers.some((layer) => soakedNylon(layer) !== null)) return null;
  const gapAt = (swelling: number): number => {
    let squared = spool.arborRadius ** 2;
    dry.layers.forEach(({ inner, outer }, i) => {
      const layer = layers[i];
      const soaked = layer ? soakedNylon(layer) : null;
      const growth = soaked === null ? 1 : (1 + swelling) / (1 + swelling * soaked);
      squared += (outer ** 2 - inner ** 2) * growth ** 2;
    });
    return spool.lipRadius - Math.sqrt(squared);
  };
  return { low: gapAt(most), high: gapAt(least) };
}

/** The share of its water a nylon layer holds already; null for a layer that does not swell. */
function soakedNylon(layer: LayerRequest): number | null {
  if (layer.kind === 'line' && layer.line.material === 'nylon') return layer.soaked ?? 0;
  return layer.kind === 'retained' && layer.line.material === 'nylon' ? 0 : null;
}
