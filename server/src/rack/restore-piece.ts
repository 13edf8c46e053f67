import type { Person, Piece } from '@yard-spool/contract';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import type { PieceRow } from '../db/models/rack';
import { ProblemError } from '../problem-error';
import { addMoves, goneFrom } from './move';
import { onePiece } from './rack';
import { newestOf } from '../context/newest-of';

const NOT_GONE = 'This piece is on the rack: there is nothing to undo.';

/**
 * Puts a piece back on the rack that was written off or recycled: what left with it comes back by a move of its own, and
 * the bin's book says that it was taken out again.
 *
 * @throws ProblemError already-exists where it is on the rack; not-allowed where it is a customer's own line
 */
export async function restorePiece(context: ServerContext, person: Person, code: string): Promise<Piece> {
  await unit(context, person, async (u) => {
    const piece = await u.tables.pieces.lockOne({ where: { code } });
    if (!piece) throw new ProblemError('not-found', goneFrom(code));
    if (!piece.writtenOff) throw new ProblemError('already-exists', NOT_GONE);
    if (piece.broughtWith !== null)
      throw new ProblemError('not-allowed', 'This line went back to its customer with their bag.');
    await u.tables.pieces.change(piece, { writtenOff: false, version: piece.version + 1 });
    await comeBack(u, piece);
  });
  return onePiece(context, { code });
}

async function comeBack(u: Unit, piece: PieceRow): Promise<void> {
  const [last] = await u.tables.moves.findAll({
    where: { pieceId: piece.id },
    ...newestOf('piece_id'),
    limit: 1,
  });
  // A piece that was empty left without a move.
  if (last?.kind !== 'written-off' && last?.kind !== 'recycled') return;
  const why = 'undone, back on the rack';
  await addMoves(u, piece, [{ kind: 'taken-back', lengthMm: -last.lengthMm, why }]);
  if (last.kind === 'recycled') await outOfTheBin(u, piece);
}

/** The bin's book says that it was taken out again: what was written down stays. */
async function outOfTheBin(u: Unit, piece: PieceRow): Promise<void> {
  const [bin] = await u.tables.recyclings.findAll({
    where: { pieceId: piece.id },
    ...newestOf('piece_id'),
    limit: 1,
  });
  if (!bin) return;
  const { stream, estimated, pieceId } = bin;
  await u.tables.recyclings.create({
    stream,
    estimated,
    pieceId,
    grams: (-Number(bin.grams)).toFixed(1),
    tubes: -bin.tubes,
    lengthMm: bin.lengthMm === null ? null : -bin.lengthMm,
    why: `${piece.code} taken out again`,
    at: u.clock(),
    byId: u.actor.id,
  });
}
