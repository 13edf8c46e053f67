import type { Move, Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { PieceRow } from '../db/models/rack';
import type { House } from '../house';
import { ProblemError } from '../problem-error';

/** A line of the ledger before it is written. */
export interface NewMove {
  readonly kind: Move['kind'];
  /** Positive on to the piece, negative off it; a move of nothing is not written. */
  readonly lengthMm: number;
  readonly why: string;
  readonly at?: Date;
}

/** The piece's row, locked until the transaction ends: two benches cannot move the same metre. */
export async function lockPiece(
  { tables }: House,
  where: { id: number } | { code: string },
  transaction: Transaction,
): Promise<PieceRow> {
  const piece = await tables.pieces.findOne({ where, transaction, lock: transaction.LOCK.UPDATE });
  if (!piece || piece.writtenOff)
    throw new ProblemError(
      'not-found',
      `The piece ${'code' in where ? where.code : 'this line came from'} is not on the rack any more.`,
    );
  return piece;
}

/**
 * Appends lines to a locked piece's ledger and keeps its length, the sum, with the row. Nothing is ever edited: what was
 * wrong is put right by another move.
 *
 * @throws where the books would go below nought
 */
export async function addMoves(
  { tables, clock }: House,
  person: Person,
  piece: PieceRow,
  asked: readonly NewMove[],
  { transaction, runId = null }: { readonly transaction: Transaction; readonly runId?: number | null },
): Promise<void> {
  const moves = asked.filter(({ lengthMm }) => lengthMm !== 0);
  const lengthMm = moves.reduce((sum, move) => sum + move.lengthMm, piece.lengthMm);
  if (lengthMm < 0)
    throw new ProblemError(
      'not-enough-line',
      `Piece ${piece.code} has ${(piece.lengthMm / 1000).toFixed(0)} m left, which is less than this takes.`,
    );
  if (moves.length === 0) return;
  const shared = { pieceId: piece.id, at: clock(), byId: person.id, runId };
  await tables.moves.bulkCreate(
    moves.map((move) => ({ ...shared, ...move })),
    { transaction },
  );
  await piece.update({ lengthMm }, { transaction });
}
