import type { Piece, Product } from '@yard-spool/contract';

/** A line with the pieces of it that still have some, for a list to choose from. */
export interface PieceGroup {
  readonly name: string;
  readonly code: string;
  readonly pieces: readonly Piece[];
}

/** Pieces that still have line, by what line it is; lines the shop knows and has none of come too. */
export function pieceGroups(pieces: readonly Piece[], lines: readonly Product[]): PieceGroup[] {
  const groups = new Map<string, { name: string; code: string; pieces: Piece[] }>();
  for (const { name, code } of lines) groups.set(code, { name, code, pieces: [] });
  for (const piece of pieces) {
    if (piece.lengthMm <= 0) continue;
    const { name, code } = piece.product;
    const group = groups.get(code) ?? { name, code, pieces: [] };
    group.pieces.push(piece);
    groups.set(code, group);
  }
  return [...groups.values()].sort((a, b) => a.name.localeCompare(b.name));
}
