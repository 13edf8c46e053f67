import type { Piece, Product } from '@yard-spool/contract';
import type { LineLook } from '@yard-spool/core';

/** How a piece's line is drawn: salvage by its own texture, everything else by what it is made of. */
export const pieceLook = ({
  kind,
  product,
}: {
  kind: Piece['kind'];
  product: Pick<Product, 'material' | 'tint'>;
}): LineLook => ({
  texture: kind === 'salvage' ? 'salvage' : product.material,
  tint: product.tint,
});
