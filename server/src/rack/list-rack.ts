import type { Page, Piece, RackQuery } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { literally } from '../db/like';
import { pageOf } from '../db/page-of';
import { endOfDay } from '../shop/shop-day';
import { holdsCode } from '../db/holds-code';
import { listPieces } from './rack';

const PAGE = 60;

/** What of a piece can hold a word that is looked for. */
const SAID =
  "CONCAT_WS(' ', pieces.code, products.code, products.name, products.material, pieces.lot, pieces.place)";

/**
 * A page of the rack by code: pieces that hold every word looked for, in code, line, lot or place. Those let go come
 * last, and only when words look for them. On a past day, the pieces that were there by then.
 */
export async function listRack(from: Reading, { find, kind, asOf, after }: RackQuery): Promise<Page<Piece>> {
  const words = find.split(/\s+/).filter(Boolean).slice(0, 8);
  const where = [
    // A customer's own line is part of its bag, not stock.
    'pieces.brought_with IS NULL',
    ...words.map((word, i) => `(${SAID} LIKE :word${String(i)} OR ${holdsCode('pieces.code', word)})`),
    ...(words.length > 0 ? [] : ['NOT pieces.written_off']),
    ...(kind === '' ? [] : ['pieces.kind = :kind']),
    ...(asOf === undefined
      ? []
      : ['EXISTS (SELECT 1 FROM moves WHERE moves.piece_id = pieces.id AND moves.at <= :end)']),
    ...(after === '' ? [] : ['(pieces.written_off, pieces.code) > (:gone, :code)']),
  ];
  const found = await from.query<{ id: number }>(
    `SELECT pieces.id FROM pieces JOIN products ON products.id = pieces.product_id
     WHERE ${where.join(' AND ') || 'TRUE'} ORDER BY pieces.written_off, pieces.code LIMIT ${String(PAGE + 1)}`,
    {
      ...Object.fromEntries(words.map((word, i) => [`word${String(i)}`, `%${literally(word)}%`])),
      kind,
      gone: Number(after.slice(0, 1)),
      code: after.slice(2),
      ...(asOf === undefined ? {} : { end: await endOfDay(from, asOf) }),
    },
  );
  const ids = found.map(({ id }) => id);
  const pieces = new Map((await listPieces(from, { id: ids, asOf })).map((piece) => [piece.id, piece]));
  const rows = ids.flatMap((id) => pieces.get(id) ?? []);
  return pageOf(rows, PAGE, ({ writtenOff, code }) => `${writtenOff ? '1' : '0'}_${code}`);
}
