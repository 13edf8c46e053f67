import type { Piece } from '@yard-spool/contract';

/** Pieces of one line, for a list to choose from. */
export interface PieceGroup {
  readonly name: string;
  readonly pieces: readonly Piece[];
}

/** Pieces that still have line, grouped by what line it is. */
export function pieceGroups(pieces: readonly Piece[]): PieceGroup[] {
  const groups = new Map<string, Piece[]>();
  for (const piece of pieces) {
    if (piece.lengthMm > 0)
      groups.set(piece.product.name, [...(groups.get(piece.product.name) ?? []), piece]);
  }
  return [...groups]
    .map(([name, grouped]) => ({ name, pieces: grouped }))
    .sort((a, b) => a.name.localeCompare(b.name));
}
