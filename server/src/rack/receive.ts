import type { NewPieceSchema, Person, Piece, PieceFacts } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { InferOutput } from 'valibot';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { addMoves } from './move';
import { productFor } from './products';
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
  ...{ lot, priceMinor, wound, leaves, newOn },
  tareG: decimal(tareG),
  flangeMm: decimal(flangeMm),
  coreMm: decimal(coreMm),
});

/** Takes a piece on to the rack. Its length is the first line of its ledger. */
export async function receivePiece(house: House, person: Person, asked: NewPiece): Promise<Piece> {
  await inTransaction(house.sequelize, (transaction) => createPiece(house, person, asked, transaction));
  return onePiece(house, { code: asked.code });
}

export async function createPiece(
  house: House,
  person: Person,
  asked: NewPiece,
  transaction: Transaction,
): Promise<void> {
  const { code, kind, place, lengthMm, fromReel } = asked;
  if (fromReel !== null && !(await house.tables.reels.findOne({ where: { tag: fromReel }, transaction })))
    throw new ProblemError('not-found', `There is no reel ${fromReel} this could have been stripped from.`, [
      { path: 'fromReel', message: `There is no reel ${fromReel}.` },
    ]);
  const productId = await productFor(house, asked.product, transaction);
  const piece = await house.tables.pieces.create(
    { code, productId, kind, place, receivedMm: lengthMm, lengthMm: 0, ...factValues(asked) },
    { transaction },
  );
  const why = fromReel === null ? 'as it came' : `stripped off reel ${fromReel}`;
  await addMoves(house, person, piece, [{ kind: 'received', lengthMm, why }], { transaction });
  if (kind === 'remnant' || kind === 'salvage') await piece.update({ opened: true }, { transaction });
}
