import type { Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { addMoves, lockPiece } from './move';

/** A length drawn off a piece for a fill. */
export interface Draw {
  readonly pieceId: number;
  readonly lengthMm: number;
  /** End of the cut that is lost with it: knots, trimming, the tail taped down. */
  readonly tailMm: number;
  readonly runId: number;
  readonly why: string;
}

/**
 * Draws line off a piece: the length itself and the tail lost with the cut, each its own line in the ledger.
 *
 * What was counted on to a reel is a fact. Where the books had less, the difference is found line and gets a line of
 * its own, so that the sum still is the length and the books never go below nought.
 */
export async function drawLine(
  house: House,
  person: Person,
  draw: Draw,
  transaction: Transaction,
): Promise<void> {
  const piece = await lockPiece(house, { id: draw.pieceId }, transaction);
  const found = Math.max(0, draw.lengthMm - piece.lengthMm);
  const tail = Math.min(draw.tailMm, piece.lengthMm + found - draw.lengthMm);
  await addMoves(
    house,
    person,
    piece,
    [
      { kind: 'found', lengthMm: found, why: `${draw.why}: more was counted than the books had` },
      { kind: 'filled', lengthMm: -draw.lengthMm, why: draw.why },
      { kind: 'tail', lengthMm: -tail, why: `cut for ${draw.why}` },
    ],
    { transaction, runId: draw.runId },
  );
  await piece.update({ opened: true }, { transaction });
}
