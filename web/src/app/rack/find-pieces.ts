import type { Piece } from '@yard-spool/contract';

/** What is looked for on the rack; empty words and kinds leave everything in. */
export interface Looked {
  readonly find: string;
  readonly kind: string;
}

/** Pieces that hold every word typed, in code, line, lot or place. Those let go come last, and only when looked for. */
export function findPieces(pieces: readonly Piece[], { find, kind }: Looked): Piece[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (piece: Piece): boolean => {
    const { code, product, lot, place } = piece;
    const said = [code, product.code, product.name, product.material, lot, place].join(' ').toLowerCase();
    const wanted = kind === '' || piece.kind === kind;
    return wanted && words.every((word) => said.includes(word));
  };
  const found = pieces.filter(fits);
  const gone = words.length > 0 ? found.filter(({ writtenOff }) => writtenOff) : [];
  return [...found.filter(({ writtenOff }) => !writtenOff), ...gone];
}
