import type { Person, Piece, PieceChange } from '@yard-spool/contract';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { addMoves, lockPiece } from './move';
import { onePiece } from './rack';
import { factValues } from './receive';

/** Moves or renames a piece, or writes down what is printed on it. Refuses a change made on an older look. */
export async function changePiece(house: House, code: string, asked: PieceChange): Promise<Piece> {
  await inTransaction(house.sequelize, async (transaction) => {
    const piece = await lockPiece(house, { code }, transaction);
    if (piece.version !== asked.version)
      throw new ProblemError(
        'stale-version',
        `Somebody changed ${code} while you were looking at it. Nothing of yours was saved: look again, then save.`,
      );
    await piece.update(
      { code: asked.code, place: asked.place, version: piece.version + 1, ...factValues(asked) },
      { transaction },
    );
  });
  return onePiece(house, { code: asked.code });
}

/**
 * Takes a piece off the rack for good; what was left on it goes with one move. A piece that booked reels wait for stays.
 */
export async function writeOffPiece(house: House, person: Person, code: string, why: string): Promise<Piece> {
  await inTransaction(house.sequelize, async (transaction) => {
    const piece = await lockPiece(house, { code }, transaction);
    await refuseIfPromised(house, code, transaction);
    await addMoves(house, person, piece, [{ kind: 'written-off', lengthMm: -piece.lengthMm, why }], {
      transaction,
    });
    await piece.update({ writtenOff: true, version: piece.version + 1 }, { transaction });
    await house.tables.soaks.update(
      { outAt: house.clock(), outById: person.id },
      { where: { pieceId: piece.id, outAt: null }, transaction },
    );
  });
  return onePiece(house, { code });
}

/** Refuses to let go of a piece that booked reels are to be filled from. */
export async function refuseIfPromised(
  house: House,
  code: string,
  transaction: Parameters<typeof onePiece>[2],
): Promise<void> {
  const { promisedMm } = await onePiece(house, { code }, transaction);
  if (promisedMm > 0)
    throw new ProblemError(
      'not-enough-line',
      `${(promisedMm / 1000).toFixed(0)} m of ${code} are promised to reels that are booked in. Fill those first.`,
    );
}
