import { message } from '@yard-spool/core';
import type { Person, Piece, PieceChange } from '@yard-spool/contract';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { addMoves, goneFrom, lockPiece } from './move';
import { onePiece } from './rack';
import { factValues } from './receive';

/** Moves or renames a piece, or writes down what is printed on it. Refuses a change made on an older look. */
export async function changePiece(
  context: ServerContext,
  person: Person,
  code: string,
  asked: PieceChange,
): Promise<Piece> {
  await unit(context, person, async (u) => {
    const { pieces } = u.tables;
    const piece = await u.lockVersioned(pieces, { code, writtenOff: false }, asked.version, {
      gone: goneFrom(code),
      changed: `Somebody changed ${code} while you were looking at it. Nothing of yours was saved: look again, then save.`,
    });
    await pieces.change(piece, {
      code: asked.code,
      place: asked.place,
      version: piece.version + 1,
      ...factValues(asked),
    });
    await u.happened.renamed('piece', [piece.id]);
  });
  return onePiece(context, { code: asked.code });
}

/**
 * Takes a piece off the rack for good; what was left on it goes with one move. A piece that booked reels wait for stays.
 */
export async function writeOffPiece(
  context: ServerContext,
  person: Person,
  code: string,
  why: string,
): Promise<Piece> {
  await unit(context, person, async (u) => {
    const piece = await lockPiece(u, { code });
    await refuseIfPromised(u, code);
    await addMoves(u, piece, [{ kind: 'written-off', lengthMm: -piece.lengthMm, why }]);
    await u.tables.pieces.change(piece, { writtenOff: true, version: piece.version + 1 });
    const out = { outAt: u.clock(), outById: u.actor.id };
    await u.tables.soaks.changeAll(out, { pieceId: piece.id, outAt: null });
  });
  return onePiece(context, { code });
}

/** Refuses to let go of a piece that booked reels are to be filled from. */
export async function refuseIfPromised(u: Unit, code: string): Promise<void> {
  const { promisedMm } = await onePiece(u, { code });
  if (promisedMm > 0)
    throw new ProblemError(
      'not-enough-line',
      message('piece.promised', { promised: { m: promisedMm / 1000 }, code }),
    );
}
