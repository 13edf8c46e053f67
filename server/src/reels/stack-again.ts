import type { SpoolGeometry } from '@yard-spool/core';
import type { FillLayerRow } from '../db/models/runs';

type Lying = Pick<FillLayerRow, 'id' | 'innerRadius' | 'outerRadius' | 'handleTurns'>;

/**
 * Layers as they lie once one of them is longer or shorter: the area of a layer grows with its length, what lies above it
 * moves out or in with its own area, and each takes as many more turns as its circle is smaller.
 *
 * @param layers arbor first, radii in mm
 * @param changed the layer, and how many times its length it is now
 */
export function stackAgain(
  { lipRadius }: Pick<SpoolGeometry, 'lipRadius'>,
  layers: readonly Lying[],
  changed: { readonly id: number; readonly share: number },
): Lying[] {
  let inner: number | null = null;
  return layers.map((layer) => {
    const share = layer.id === changed.id ? changed.share : 1;
    const begin = inner ?? layer.innerRadius;
    const area = (layer.outerRadius ** 2 - layer.innerRadius ** 2) * share;
    const outer = Math.min(Math.sqrt(begin ** 2 + area), lipRadius * 2);
    inner = outer;
    const mean = (layer.innerRadius + layer.outerRadius) / 2;
    const handleTurns = (layer.handleTurns * share * mean) / ((begin + outer) / 2);
    return { id: layer.id, innerRadius: begin, outerRadius: outer, handleTurns };
  });
}
