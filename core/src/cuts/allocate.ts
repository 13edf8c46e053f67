import type { Ranged } from '../numeric/ranged';
import { cutOnPiece, type CutOnPiece } from './cut-on-piece';
import type { CutPiece, Takes } from './cut-piece';

/** A layer's line, asked of a piece; of none while its line has yet to come. */
export interface CutDemand<Piece extends CutPiece> {
  readonly layer: string;
  readonly piece: Piece | null;
  /** Planned, m, with its range. */
  readonly length: Pick<Ranged, 'value' | 'high'>;
  readonly takes: Takes | null;
}

/** What a demand comes to on its piece. */
export interface AllocatedCut<Piece extends CutPiece> {
  readonly layer: string;
  readonly piece: Piece;
  readonly on: CutOnPiece;
}

/** mm taken of pieces, by their numbers, beside what their books have promised; below zero where something is given back. */
export type TakenLine = ReadonlyMap<number, number>;

/** Nothing is taken beside what is promised. */
export const NOTHING_TAKEN: TakenLine = new Map();

export interface Allocation<Piece extends CutPiece> {
  /** What each demand comes to, in their order. */
  readonly cuts: readonly AllocatedCut<Piece>[];
  /** The first that its piece has too little for; null where all are there. */
  readonly short: AllocatedCut<Piece> | null;
  /** Layers that have no piece yet. */
  readonly leftOut: readonly string[];
  /** What is taken with all of it. */
  readonly taken: TakenLine;
}

/** mm of a piece that nobody else takes; below zero where more is promised than it has. */
export const freeOn = ({ id, lengthMm, promisedMm }: CutPiece, taken: TakenLine): number =>
  lengthMm - promisedMm - (taken.get(id) ?? 0);

/**
 * What demands come to on their pieces, one after another: what one takes, with its tail, the next does not find.
 *
 * @param taken mm others take
 * @param tailMm lost with a cut as the shop has it
 */
export function allocate<Piece extends CutPiece>(
  demands: readonly CutDemand<Piece>[],
  taken: TakenLine,
  tailMm: number,
): Allocation<Piece> {
  const now = new Map(taken);
  const cuts: AllocatedCut<Piece>[] = [];
  const leftOut: string[] = [];
  for (const { layer, piece, length, takes } of demands) {
    if (!piece) {
      leftOut.push(layer);
      continue;
    }
    const on = cutOnPiece(piece, length, { freeMm: freeOn(piece, now), tailMm, takes });
    now.set(piece.id, (now.get(piece.id) ?? 0) + on.lengthMm + on.tailMm);
    cuts.push({ layer, piece, on });
  }
  return { cuts, leftOut, taken: now, short: cuts.find(({ on }) => on.tooShort) ?? null };
}

/** The same line given back: it is free again. */
export function givenBack(
  taken: TakenLine,
  cuts: readonly { readonly pieceId: number | null; readonly lengthMm: number; readonly tailMm: number }[],
): TakenLine {
  const now = new Map(taken);
  for (const { pieceId, lengthMm, tailMm } of cuts)
    if (pieceId !== null) now.set(pieceId, (now.get(pieceId) ?? 0) - lengthMm - tailMm);
  return now;
}
