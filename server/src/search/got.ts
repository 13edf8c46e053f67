import { OWNER_OF_REEL, REEL_OF_FILL } from '../db/joins';
import type { GotQuery, GotRow, Page } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { readHouseRules } from '../shop/read-house-rules';
import { pageOf } from '../db/page-of';
import { hoursOf } from './days';

const PAGE = 50;

interface Row extends Omit<GotRow, 'filledAt' | 'still'> {
  readonly id: number;
  readonly filledAt: Date;
  readonly still: number;
}

/** The reels that got a line, a lot or a piece, or were filled on a day: the latest first, and whether it lies there still. */
export async function listGot(from: Reading, asked: GotQuery): Promise<Page<GotRow>> {
  const { line, lot, piece, day, after } = asked;
  const { zone } = await readHouseRules(from);
  const where = [
    'fills.taken_back_at IS NULL',
    ...(line ? ['fill_layers.product_id = (SELECT id FROM products WHERE code = :line)'] : []),
    ...(lot ? ['fill_layers.piece_id IN (SELECT id FROM pieces WHERE pieces.lot = :lot)'] : []),
    ...(piece ? ['fill_layers.piece_id = (SELECT id FROM pieces WHERE code = :piece)'] : []),
    ...(day ? ['fills.closed_at >= :begin AND fills.closed_at < :end'] : []),
    ...(after ? ['fill_layers.id < :after'] : []),
  ];
  if (!line && !lot && !piece && !day) return { rows: [], next: null };
  const rows = await from.query<Row>(
    // A line has many thousand layers: they are gone through from the last one back, as far as a page goes.
    `SELECT ${day ? '' : 'STRAIGHT_JOIN'} fill_layers.id, reels.tag, reels.label, customers.name AS customer, customers.id AS customerId,
       fills.id AS fillId, fills.closed_at AS filledAt, fill_layers.role, fill_layers.line_name AS name,
       pieces.code AS piece, COALESCE(pieces.lot, '') AS lot, fill_layers.length_mm AS lengthMm,
       spools.fill_id = fills.id AND fill_layers.length_mm > GREATEST(0, spools.off_mm - COALESCE((
         SELECT SUM(above.length_mm) FROM fill_layers AS above
         WHERE above.fill_id = fills.id AND above.position > fill_layers.position), 0)) AS still
     FROM fill_layers JOIN fills ON fills.id = fill_layers.fill_id ${REEL_OF_FILL} ${OWNER_OF_REEL}
       LEFT JOIN pieces ON pieces.id = fill_layers.piece_id
     WHERE ${where.join(' AND ')} ORDER BY fill_layers.id DESC LIMIT ${String(PAGE + 1)}`,
    { line, lot, piece, after: Number(after) || 0, ...(day ? hoursOf(day, zone) : {}) },
  );
  const { rows: shown, next } = pageOf(rows, PAGE, ({ id }) => String(id));
  return {
    rows: shown.map(({ filledAt, still, ...row }) => ({
      ...row,
      still: still === 1,
      filledAt: filledAt.toISOString(),
    })),
    next,
  };
}
