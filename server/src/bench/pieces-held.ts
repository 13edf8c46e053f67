import type { Piece, PlannedCut, Run } from '@yard-spool/contract';
import { booksOff, isSealed } from '@yard-spool/core';

type HeldPiece = Pick<Piece, 'id' | 'kind' | 'opened' | 'lengthMm' | 'receivedMm'>;

/**
 * What the pieces a reel is cut from hold now, by layer: what is wound is held against it. Of a layer that is joined from
 * two it is the first: once the second is on, nothing is held against either.
 */
export function piecesHeld(
  pieces: readonly HeldPiece[],
  cuts: readonly Pick<PlannedCut, 'layer' | 'pieceId'>[],
): Run['pieces'] {
  const firsts = cuts.filter(({ layer }, i) => cuts.findIndex((one) => one.layer === layer) === i);
  return Object.fromEntries(
    firsts.flatMap(({ layer, pieceId }) => {
      const piece = pieces.find(({ id }) => id === pieceId);
      if (!piece) return [];
      return [[layer, { length: piece.lengthMm / 1000, sd: booksOff(piece), sealed: isSealed(piece) }]];
    }),
  );
}
