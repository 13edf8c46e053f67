import type { Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { ProblemError } from '../problem-error';

/** End of a cut that is lost with each cut: knots, trimming, the tail taped down. Common practice, no source. */
export const TAIL_MM = 2000;

/** A length drawn off a piece for a fill. */
export interface Draw {
  readonly pieceId: number;
  readonly lengthMm: number;
  readonly runId: number;
  readonly why: string;
}

/**
 * Draws line off a piece: the length itself and the tail lost with the cut, each its own line in the ledger. The
 * piece's row is locked until the transaction ends, so two benches cannot take the same metre.
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
  const { tables, clock } = house;
  const piece = await tables.pieces.findByPk(draw.pieceId, { transaction, lock: transaction.LOCK.UPDATE });
  if (!piece)
    throw new ProblemError('not-found', 'The piece this line came from is not on the rack any more.');
  const found = Math.max(0, draw.lengthMm - piece.lengthMm);
  const tail = Math.min(TAIL_MM, piece.lengthMm + found - draw.lengthMm);
  const moves = [
    { kind: 'found' as const, lengthMm: found, why: `${draw.why}: more was counted than the books had` },
    { kind: 'filled' as const, lengthMm: -draw.lengthMm, why: draw.why },
    { kind: 'tail' as const, lengthMm: -tail, why: `${draw.why}: tail` },
  ].filter(({ lengthMm }) => lengthMm !== 0);
  const shared = { pieceId: piece.id, at: clock(), byId: person.id, runId: draw.runId };
  await tables.moves.bulkCreate(
    moves.map((move) => ({ ...shared, ...move })),
    { transaction },
  );
  const lengthMm = moves.reduce((sum, move) => sum + move.lengthMm, piece.lengthMm);
  await piece.update({ lengthMm, opened: true }, { transaction });
}
