import type { Person, Piece, PieceCount, PieceWeighing } from '@yard-spool/contract';
import { lineOf, type MassIssue, message, metresFromMass, waterState } from '@yard-spool/core';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { brokenAt, brokenWords, promisesOf, tellBroken } from './broken-promises';
import { addMoves, lockPiece } from './move';
import { onePiece } from './rack';

/**
 * Sets the books to what was counted on a piece, by a move of the difference.
 *
 * @throws `not-enough-line` where less is left than is promised, with whose promise breaks, unless that was said to be known
 */
export async function countPiece(
  context: ServerContext,
  person: Person,
  code: string,
  { lengthMm, why = '', booksMm = null, anyway = false }: PieceCount,
): Promise<Piece> {
  await unit(context, person, async (u) => {
    const piece = await lockPiece(u, { code });
    if (booksMm !== null && booksMm !== piece.lengthMm)
      throw new ProblemError(
        'stale-version',
        'The books of this piece have changed since it was counted. Count it again.',
      );
    const broken = brokenAt(await promisesOf(u, piece.id), lengthMm);
    if (broken.length > 0 && !anyway) {
      const sentence = `With this count there is too little for what is promised: ${brokenWords(broken)}. Those reels have to be planned again.`;
      throw new ProblemError('not-enough-line', sentence, [{ path: 'anyway', message: sentence }]);
    }
    await tellBroken(u, code, broken);
    const move = { kind: 'counted', lengthMm: lengthMm - piece.lengthMm, why: why || 'counted' } as const;
    await addMoves(u, piece, [move]);
  });
  return onePiece(context, { code });
}

/**
 * Sets the books to what a piece weighs: metres from its mass with their range, which is kept. A piece in the water, or
 * out of it and not dry, weighs its water too and is refused unless somebody says that it is dry.
 */
export async function weighPiece(
  context: ServerContext,
  person: Person,
  code: string,
  asked: PieceWeighing,
): Promise<Piece> {
  await unit(context, person, async (u) => {
    const row = await lockPiece(u, { code });
    const piece = await onePiece(u, { code });
    const { value, low, high } = metresOf(piece, asked);
    refuseTooMuch(piece, low);
    const toMm = (metres: number): number => Math.round(metres * 1000);
    const lengthMm = toMm(value);
    const why = message('piece.weighed', { gross: { g: asked.grossG }, tare: { g: asked.tareG } });
    await addMoves(u, row, [{ kind: 'weighed', lengthMm: lengthMm - row.lengthMm, why }]);
    await tellBroken(u, code, brokenAt(await promisesOf(u, row.id), lengthMm));
    await u.tables.pieces.change(row, { tareG: asked.tareG.toFixed(1) });
    await u.tables.weighings.create({
      pieceId: row.id,
      grossG: asked.grossG.toFixed(1),
      tareG: asked.tareG.toFixed(1),
      source: asked.by,
      lengthMm,
      lowMm: toMm(low),
      highMm: toMm(high),
      at: u.clock(),
      byId: u.actor.id,
    });
  });
  return onePiece(context, { code });
}

/** A weight that would mean clearly more line than ever came on the piece is of another piece, or the tare is. */
function refuseTooMuch({ receivedMm, code }: Piece, lowMetres: number): void {
  if (lowMetres * 1000 <= 1.1 * receivedMm) return;
  const sentence = message('piece.weighs-too-much', {
    code,
    low: { m: lowMetres },
    received: { m: receivedMm / 1000 },
  });
  throw new ProblemError('bad-request', sentence, [{ path: 'grossG', message: sentence }]);
}

function metresOf(piece: Piece, { grossG, tareG, dry }: PieceWeighing) {
  const { product } = piece;
  const wet = waterState(piece) !== 'dry' && !dry;
  const metres = metresFromMass(
    lineOf(product),
    { gross: grossG, tare: tareG, wet },
    product.mass ?? undefined,
  );
  if (metres.ok) return metres.value;
  const [issue] = metres.issues;
  throw new ProblemError(
    issue?.code === 'wet-spool' ? 'in-the-water' : 'bad-request',
    issue?.sentence ?? '',
    [{ path: FIELD[issue?.code ?? 'mass-out-of-range'], message: issue?.sentence ?? '' }],
  );
}

const FIELD: Readonly<Record<MassIssue['code'], string>> = {
  'wet-spool': 'dry',
  'below-tare': 'tareG',
  'mass-not-learned': 'grossG',
  'mass-out-of-range': 'grossG',
};
