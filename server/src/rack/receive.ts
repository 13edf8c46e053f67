import type { NewPieceSchema, Person, Piece, PieceFacts } from '@yard-spool/contract';
import type { InferOutput } from 'valibot';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { addMoves } from './move';
import { productFor, taken } from './products';
import { onePiece } from './rack';

type NewPiece = InferOutput<typeof NewPieceSchema>;

const decimal = (value: number | null): string | null => (value === null ? null : value.toFixed(1));

/** What is known of a piece beside its length, as columns. */
export const factValues = ({
  lot,
  priceMinor,
  tareG,
  flangeMm,
  coreMm,
  wound,
  leaves,
  newOn,
}: PieceFacts) => ({
  lot,
  priceMinor,
  wound,
  leaves,
  newOn,
  tareG: decimal(tareG),
  flangeMm: decimal(flangeMm),
  coreMm: decimal(coreMm),
});

/** Takes a piece on to the rack. Its length is the first line of its ledger. */
export async function receivePiece(context: ServerContext, person: Person, asked: NewPiece): Promise<Piece> {
  await unit(context, person, (u) => createPiece(u, asked));
  return onePiece(context, { code: asked.code });
}

export async function createPiece(u: Unit, asked: NewPiece): Promise<void> {
  const { code, kind, place, lengthMm, fromReel } = asked;
  if (fromReel !== null && !(await u.tables.reels.findOne({ where: { tag: fromReel } })))
    throw new ProblemError('not-found', `There is no reel ${fromReel} this could have been stripped from.`, [
      { path: 'fromReel', message: `There is no reel ${fromReel}.` },
    ]);
  if (await u.tables.pieces.findOne({ where: { code } }))
    throw taken(`There is a piece ${code} already.`, 'code');
  const productId = await productFor(u, asked.product);
  const piece = await u.tables.pieces.create({
    code,
    productId,
    kind,
    place,
    receivedMm: lengthMm,
    lengthMm: 0,
    ...factValues(asked),
    packCode: asked.packCode,
  });
  await u.happened.renamed('piece', [piece.id]);
  const why = fromReel === null ? 'as it came' : `stripped off reel ${fromReel}`;
  await addMoves(u, piece, [{ kind: 'received', lengthMm, why }]);
  if (kind === 'remnant' || kind === 'salvage') await u.tables.pieces.change(piece, { opened: true });
}
