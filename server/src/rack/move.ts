import type { Unit } from '../context/context';
import { message, wordsAsText, type Words } from '@yard-spool/core';
import type { Move } from '@yard-spool/contract';
import type { PieceRow } from '../db/models/rack';
import { ProblemError } from '../problem-error';

/** A line of the ledger before it is written. */
export interface NewMove {
  readonly kind: Move['kind'];
  /** Positive on to the piece, negative off it; a move of nothing is not written. */
  readonly lengthMm: number;
  readonly why: Words;
  readonly at?: Date;
}

export const goneFrom = (which: string): string => `The piece ${which} is not on the rack any more.`;

/** The piece's row, locked until the transaction ends: two benches cannot move the same metre. */
export async function lockPiece(
  { tables }: Unit,
  where: { id: number } | { code: string },
): Promise<PieceRow> {
  const piece = await tables.pieces.lockOne({ where });
  if (!piece || piece.writtenOff)
    throw new ProblemError('not-found', goneFrom('code' in where ? where.code : 'this line came from'));
  return piece;
}

/**
 * Appends lines to a locked piece's ledger and keeps its length, the sum, with the row. Nothing is ever edited: what was
 * wrong is put right by another move.
 *
 * @param runId the run the line went into, where it was one
 * @throws where the books would go below zero
 */
export async function addMoves(
  { tables, clock, actor }: Unit,
  piece: PieceRow,
  asked: readonly NewMove[],
  runId: number | null = null,
): Promise<void> {
  const moves = asked.filter(({ lengthMm }) => lengthMm !== 0);
  const lengthMm = moves.reduce((sum, move) => sum + move.lengthMm, piece.lengthMm);
  if (lengthMm < 0)
    throw new ProblemError(
      'not-enough-line',
      message('piece.less-left', { code: piece.code, left: { m: piece.lengthMm / 1000 } }),
    );
  if (moves.length === 0) return;
  const shared = { pieceId: piece.id, at: clock(), byId: actor.id, runId };
  await tables.moves.createAll(moves.map((move) => ({ ...shared, ...move, why: wordsAsText(move.why) })));
  await tables.pieces.change(piece, { lengthMm });
}
