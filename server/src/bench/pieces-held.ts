import type { PlannedCut, Run } from '@yard-spool/contract';
import type { Reading } from '../context';

/** How far the books of an opened piece are usually off: a share of what is left, and some metres. From memory. */
const BOOKS_OFF = { share: 0.02, metres: 1 } as const;
/** Stripped line was never measured exactly. */
const SALVAGE_OFF = 0.05;

/** What the pieces a reel is cut from hold now, by layer: what is wound is held against it. */
export async function piecesHeld(
  { tables }: Reading,
  cuts: readonly Pick<PlannedCut, 'layer' | 'pieceId'>[],
): Promise<Run['pieces']> {
  const rows = await tables.pieces.findAll({
    where: { id: cuts.map(({ pieceId }) => pieceId) },
  });
  return Object.fromEntries(
    cuts.flatMap(({ layer, pieceId }) => {
      const piece = rows.find(({ id }) => id === pieceId);
      if (!piece) return [];
      const length = piece.lengthMm / 1000;
      const share = piece.kind === 'salvage' ? SALVAGE_OFF : BOOKS_OFF.share;
      const sealed = !piece.opened && piece.kind !== 'salvage' && piece.lengthMm === piece.receivedMm;
      return [[layer, { length, sd: BOOKS_OFF.metres + share * length, sealed }]];
    }),
  );
}
