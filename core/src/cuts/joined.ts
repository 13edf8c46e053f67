import type { Ranged } from '../numeric/ranged';
import type { CutPiece, Takes } from './cut-piece';
import type { CutDemand } from './allocate';

/** A layer joined from two pieces: so much off the first, all that is left of it off the second. */
export interface JoinedCut<Piece> {
  readonly firstMm: number;
  readonly piece: Piece;
}

/**
 * A layer's line asked of its piece, or of the two it is joined from: how long the second part is hangs on the plan, the
 * first does not.
 *
 * @param length planned for all of it, m
 */
export function demandsOf<Piece extends CutPiece>(
  layer: string,
  length: Pick<Ranged, 'value' | 'high'>,
  piece: Piece | null,
  {
    joined = null,
    takes = null,
  }: { readonly joined?: JoinedCut<Piece> | null; readonly takes?: Takes | null },
): CutDemand<Piece>[] {
  if (!joined || !piece) return [{ layer, piece, length, takes }];
  const first = joined.firstMm / 1000;
  const rest = { value: Math.max(0, length.value - first), high: Math.max(0, length.high - first) };
  return [
    { layer, piece, length: { value: first, high: first }, takes: null },
    { layer, piece: joined.piece, length: rest, takes: null },
  ];
}
