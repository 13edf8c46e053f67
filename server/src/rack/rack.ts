import { JOB_OF_CUT } from '../db/joins';
import { TO_FILL, inSql } from '../db/job-states';
import { wordsFromText } from '@yard-spool/core';
import type { Piece, PieceWithLedger } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { PieceRow } from '../db/models/rack';
import type { Reading } from '../context/context';
import { readOnce } from '../context/read-once';
import { endOfDay } from '../shop/shop-day';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';
import { waterByPiece } from './water';
import { listProducts } from './products';
import { DRY, toPiece } from './to-piece';
import { newestOf } from '../context/newest-of';

/** Which pieces are wanted, and as of the end of which day (ISO date, the shop's); as of now where none is said. */
interface Wanted {
  readonly code?: string;
  readonly id?: number | readonly number[];
  readonly asOf?: string | undefined;
}

/** Pieces with what is left and what is promised, by code. Those let go come too, marked. */
export async function listPieces(from: Reading, { asOf, code, id }: Wanted): Promise<Piece[]> {
  const where = { ...(code === undefined ? {} : { code }), ...(id === undefined ? {} : { id: [id].flat() }) };
  return asPieces(from, await from.tables.pieces.findAll({ where, order: ['code'] }), asOf);
}

/** Every piece that something can be cut from, by code. */
export const listStock = (from: Reading): Promise<readonly Piece[]> =>
  readOnce(listStock, async () => {
    const where = { lengthMm: { [Op.gt]: 0 }, writtenOff: false };
    return asPieces(from, await from.tables.pieces.findAll({ where, order: ['code'] }));
  });

/** Rows with what belongs to them: asked for those rows alone, since one piece is read under its lock, often. */
async function asPieces(from: Reading, rows: readonly PieceRow[], asOf?: string): Promise<Piece[]> {
  if (rows.length === 0) return [];
  const only = rows.map(({ id }) => id);
  const [products, promised, water, past] = await Promise.all([
    listProducts(from),
    promisedByPiece(from, only),
    waterByPiece(from),
    asOf === undefined ? null : lengthsAt(from, asOf, only),
  ]);
  const byId = new Map(products.map((product) => [product.id, product]));
  const pieceOf = (row: PieceRow): Piece => {
    const piece = toPiece(row, {
      product: byId.get(row.productId),
      promisedMm: promised.get(row.id) ?? 0,
      water: water.get(row.id) ?? DRY,
    });
    if (piece.unread) from.tellUnread({ table: 'pieces', key: piece.code, fields: piece.unread });
    return piece;
  };
  if (past === null) return rows.map(pieceOf);
  // On a past day only the ledger is certain: promises and water are of today and are left out.
  return rows
    .filter(({ id }) => past.has(id))
    .map((row) => ({ ...pieceOf(row), ...DRY, promisedMm: 0, lengthMm: past.get(row.id) ?? 0 }));
}

/** Length of each piece that was there by the end of a day: the sum of its moves up to then. */
async function lengthsAt(from: Reading, day: string, only: readonly number[]): Promise<Map<number, number>> {
  const rows = await from.query<{ pieceId: number; mm: string | number }>(
    'SELECT piece_id AS pieceId, SUM(length_mm) AS mm FROM moves WHERE at <= :end AND piece_id IN (:only) GROUP BY piece_id',
    { end: await endOfDay(from, day), only },
  );
  return new Map(rows.map(({ pieceId, mm }) => [pieceId, Number(mm)]));
}

/** Millimetres promised off pieces to reels planned and not yet filled. */
async function promisedByPiece({ query }: Reading, only: readonly number[]): Promise<Map<number, number>> {
  const rows = await query<{ pieceId: number; mm: string | number }>(
    `SELECT cuts.piece_id AS pieceId, SUM(cuts.length_mm + cuts.tail_mm) AS mm FROM cuts
     ${JOB_OF_CUT} WHERE jobs.state IN (${inSql(TO_FILL)}) AND cuts.piece_id IN (:only)
     GROUP BY cuts.piece_id`,
    { only },
  );
  return new Map(rows.map(({ pieceId, mm }) => [pieceId, Number(mm)]));
}

/** One piece, or a refusal. */
export async function onePiece(from: Reading, wanted: Wanted): Promise<Piece> {
  const [piece] = await listPieces(from, wanted);
  if (piece) return piece;
  const day = wanted.asOf === undefined ? '' : ` on ${wanted.asOf}`;
  throw new ProblemError('not-found', `There is no piece ${wanted.code ?? ''} on the rack${day}.`);
}

/** Moves shown at once. */
const PAGE = 200;

/** One piece with the latest of its ledger, oldest first; up to the end of a day, or before a move, where one is given. */
export async function readPiece(
  from: Reading,
  code: string,
  { asOf, before }: { readonly asOf?: string | undefined; readonly before?: number | undefined },
): Promise<PieceWithLedger> {
  const piece = await onePiece(from, { code, asOf });
  const rows = await from.tables.moves.findAll({
    where: {
      pieceId: piece.id,
      ...(asOf === undefined ? {} : { at: { [Op.lte]: await endOfDay(from, asOf) } }),
      ...(before === undefined ? {} : { id: { [Op.lt]: before } }),
    },
    ...newestOf('piece_id'),
    limit: PAGE + 1,
  });
  const nameOf = await peopleNames(from);
  const moves = rows.slice(0, PAGE).map(({ id, kind, lengthMm, at, byId, why }) => ({
    id,
    kind,
    lengthMm,
    at: at.toISOString(),
    by: nameOf.get(byId) ?? '',
    why: wordsFromText(why),
  }));
  return { piece, moves: moves.reverse(), earlier: rows.length > PAGE };
}
