import type { PlannedCut, Run } from '@yard-spool/contract';
import { booksOff, isSealed } from '@yard-spool/core';
import type { Reading } from '../context/context';

/**
 * What the pieces a reel is cut from hold now, by layer: what is wound is held against it. Of a layer that is joined from
 * two it is the first: once the second is on, nothing is held against either.
 */
export async function piecesHeld(
  { tables }: Reading,
  cuts: readonly Pick<PlannedCut, 'layer' | 'pieceId'>[],
): Promise<Run['pieces']> {
  const rows = await tables.pieces.findAll({
    where: { id: cuts.flatMap(({ pieceId }) => pieceId ?? []) },
  });
  const firsts = cuts.filter(({ layer }, i) => cuts.findIndex((one) => one.layer === layer) === i);
  return Object.fromEntries(
    firsts.flatMap(({ layer, pieceId }) => {
      const piece = rows.find(({ id }) => id === pieceId);
      if (!piece) return [];
      return [[layer, { length: piece.lengthMm / 1000, sd: booksOff(piece), sealed: isSealed(piece) }]];
    }),
  );
}
