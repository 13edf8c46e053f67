import type { Piece, Product } from '@yard-spool/contract';

/** A line with the pieces of it that still have some, for a list to choose from. */
export interface PieceGroup {
  readonly name: string;
  readonly code: string;
  readonly line: Omit<Product, 'id'>;
  readonly pieces: readonly Piece[];
}

/** Pieces that still have line, by what line it is; lines the shop knows and has none of come too. */
export function pieceGroups(pieces: readonly Piece[], lines: readonly Product[]): PieceGroup[] {
  const groups = new Map<
    string,
    { name: string; code: string; line: Omit<Product, 'id'>; pieces: Piece[] }
  >();
  for (const line of lines) groups.set(line.code, begun(line));
  for (const piece of pieces) {
    if (piece.lengthMm <= 0) continue;
    const { code } = piece.product;
    const group = groups.get(code) ?? begun(piece.product);
    group.pieces.push(piece);
    groups.set(code, group);
  }
  return [...groups.values()].sort((a, b) => a.name.localeCompare(b.name));
}

const begun = (line: Omit<Product, 'id'>) => ({ name: line.name, code: line.code, line, pieces: [] });
