import type { Piece, Product } from '@yard-spool/contract';
import type { LineStyle } from '@yard-spool/core';

/** How a piece's line is drawn: salvage by its own texture, everything else by what it is made of. */
export const pieceStyle = ({
  kind,
  product,
}: {
  kind: Piece['kind'];
  product: Pick<Product, 'material' | 'tint'>;
}): LineStyle => ({
  texture: kind === 'salvage' ? 'salvage' : product.material,
  tint: product.tint,
});
