import type { Move, NewPieceSchema, Person, Piece, Product } from '@yard-spool/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import type { InferOutput } from 'valibot';
import { inTransaction } from '../db/transaction';
import type { PieceRow, ProductRow } from '../db/models/rack';
import type { House } from '../house';
import { ProblemError } from '../problem-error';

type NewPiece = InferOutput<typeof NewPieceSchema>;

export const toProduct = (row: ProductRow): Product => ({
  id: row.id,
  code: row.code,
  name: row.name,
  material: row.material,
  diameter: Number(row.diameter),
  strengthKg: row.strengthKg === null ? null : Number(row.strengthKg),
  tint: row.tint,
});

export async function listProducts({ tables }: House): Promise<Product[]> {
  return (await tables.products.findAll({ order: ['code'] })).map(toProduct);
}

/** All pieces with what is left and what is promised, by code. */
export async function listPieces(house: House, transaction?: Transaction): Promise<Piece[]> {
  const [rows, products, promised] = await Promise.all([
    house.tables.pieces.findAll({ order: ['code'], ...(transaction && { transaction }) }),
    house.tables.products.findAll(transaction ? { transaction } : {}),
    promisedByPiece(house, transaction),
  ]);
  const byId = new Map(products.map((row) => [row.id, toProduct(row)]));
  return rows.map((row) => toPiece(row, byId.get(row.productId), promised.get(row.id) ?? 0));
}

function toPiece(row: PieceRow, product: Product | undefined, promisedMm: number): Piece {
  if (!product) throw new Error(`Piece ${row.code} has no product.`);
  const { id, code, kind, place, receivedMm, lengthMm, opened } = row;
  return { id, code, product, kind, place, receivedMm, lengthMm, promisedMm, opened: Boolean(opened) };
}

/** Millimetres promised off each piece to reels planned and not yet filled. */
async function promisedByPiece(
  { sequelize }: House,
  transaction?: Transaction,
): Promise<Map<number, number>> {
  const rows = await sequelize.query<{ pieceId: number; mm: string | number }>(
    `SELECT cuts.piece_id AS pieceId, SUM(cuts.length_mm) AS mm FROM cuts
     JOIN jobs ON jobs.id = cuts.job_id WHERE jobs.state <> 'filled' GROUP BY cuts.piece_id`,
    { type: QueryTypes.SELECT, ...(transaction && { transaction }) },
  );
  return new Map(rows.map(({ pieceId, mm }) => [pieceId, Number(mm)]));
}

/** Takes a piece on to the rack. Its length is the first line of its ledger. */
export async function receivePiece(house: House, person: Person, asked: NewPiece): Promise<Piece> {
  await inTransaction(house.sequelize, async (transaction) => {
    const productId = await productFor(house, asked.product, transaction);
    const { code, kind, place, lengthMm } = asked;
    const piece = await house.tables.pieces.create(
      { code, productId, kind, place, receivedMm: lengthMm, lengthMm },
      { transaction },
    );
    await house.tables.moves.create(
      {
        pieceId: piece.id,
        kind: 'received',
        lengthMm,
        at: house.clock(),
        byId: person.id,
        why: 'as it came',
        runId: null,
      },
      { transaction },
    );
  });
  return (await readPiece(house, asked.code)).piece;
}

async function productFor(
  house: House,
  asked: NewPiece['product'],
  transaction: Transaction,
): Promise<number> {
  if ('id' in asked) {
    if (await house.tables.products.findByPk(asked.id, { transaction })) return asked.id;
    throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
  }
  const values = {
    ...asked,
    diameter: String(asked.diameter),
    strengthKg: asked.strengthKg === null ? null : String(asked.strengthKg),
  };
  return (await house.tables.products.create(values, { transaction })).id;
}

/** One piece with its whole ledger, oldest first. */
export async function readPiece(house: House, code: string): Promise<{ piece: Piece; moves: Move[] }> {
  const piece = (await listPieces(house)).find((one) => one.code === code);
  if (!piece) throw new ProblemError('not-found', `There is no piece ${code} on the rack.`);
  const rows = await house.tables.moves.findAll({ where: { pieceId: piece.id }, order: ['id'] });
  const people = await house.tables.people.findAll();
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const moves = rows.map(({ id, kind, lengthMm, at, byId, why }) => ({
    id,
    kind,
    lengthMm,
    at: at.toISOString(),
    by: nameOf.get(byId) ?? '',
    why,
  }));
  return { piece, moves };
}
