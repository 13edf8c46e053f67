import { OWNER_OF_REEL, REEL_OF_FILL } from '../db/joins';
import type { SearchHit } from '@yard-spool/contract';
import { NOTE_TEXT } from './note-text';
import type { WordKind } from '../db/models/record';
import type { Reading } from '../context/context';
import { drawingsOfFills } from '../record/drawings-of-fills';

type ToHits = (from: Reading, ids: readonly number[], words: readonly string[]) => Promise<SearchHit[]>;

/** Rows in the order of their numbers. */
async function inOrder<T extends { readonly id: number }>(
  from: Reading,
  sql: string,
  ids: readonly number[],
): Promise<T[]> {
  if (ids.length === 0) return [];
  const rows = await from.query<T>(`${sql} IN (:ids)`, { ids });
  return ids.flatMap((id) => rows.find((row) => row.id === id) ?? []);
}

type Hit<K extends SearchHit['kind']> = Extract<SearchHit, { kind: K }>;
type Stored<K extends SearchHit['kind'], D extends keyof Hit<K> = never> = Omit<Hit<K>, 'kind' | D> &
  Record<D, Date | null> & { readonly id: number };

const reels: ToHits = async (from, ids, words) => {
  if (ids.length === 0) return [];
  const rows = await inOrder<Stored<'reel', 'filledAt'> & { readonly fillId: number | null }>(
    from,
    `SELECT reels.id, reels.tag, reels.label, reels.type, customers.name AS customer, fills.closed_at AS filledAt,
       fills.id AS fillId, '' AS was, NULL AS drawing
     FROM reels ${OWNER_OF_REEL}
       LEFT JOIN fills ON fills.id = (SELECT MAX(spools.fill_id) FROM spools WHERE spools.reel_id = reels.id)
     WHERE reels.id`,
    ids,
  );
  const fillIds = rows.flatMap(({ fillId }) => fillId ?? []);
  const [drawings, tags] = await Promise.all([
    drawingsOfFills(from, fillIds),
    from.tables.reelTags.findAll({ where: { reelId: [...ids] } }),
  ]);
  return rows.map(({ id, fillId, filledAt, ...row }) => {
    const was = tags.find(
      ({ reelId, tag }) => reelId === id && words.some((word) => tag.toLowerCase().startsWith(word)),
    );
    return {
      ...row,
      kind: 'reel',
      filledAt: filledAt?.toISOString() ?? null,
      drawing: drawings.get(fillId ?? 0) ?? null,
      was: was?.tag ?? '',
    };
  });
};

const customers: ToHits = async (from, ids) => {
  const rows = await inOrder<Stored<'customer'>>(
    from,
    `SELECT id, name, contact, (SELECT COUNT(*) FROM reels WHERE reels.customer_id = customers.id) AS reels
     FROM customers WHERE id`,
    ids,
  );
  return rows.map((row) => ({ ...row, kind: 'customer' }));
};

const lines: ToHits = async (from, ids) => {
  const rows = await inOrder<Stored<'line'>>(
    from,
    'SELECT id, code, name, tint, material FROM products WHERE id',
    ids,
  );
  return rows.map((row) => ({ ...row, kind: 'line' }));
};

const pieces: ToHits = async (from, ids) => {
  const rows = await inOrder<Omit<Stored<'piece'>, 'writtenOff'> & { readonly writtenOff: number }>(
    from,
    `SELECT pieces.id, pieces.code, products.name, pieces.lot, pieces.length_mm AS lengthMm,
       pieces.written_off AS writtenOff
     FROM pieces JOIN products ON products.id = pieces.product_id WHERE pieces.id`,
    ids,
  );
  return rows.map((row) => ({
    ...row,
    kind: 'piece',
    writtenOff: row.writtenOff === 1,
  }));
};

const bags: ToHits = async (from, ids) => {
  const rows = await inOrder<Stored<'bag', 'promisedAt'> & { readonly promisedAt: Date }>(
    from,
    `SELECT bags.id, bags.id AS number, customers.name AS customer, bags.promised_at AS promisedAt, bags.notes
     FROM bags JOIN customers ON customers.id = bags.customer_id WHERE bags.id`,
    ids,
  );
  return rows.map(({ promisedAt, ...row }) => ({
    ...row,
    kind: 'bag',
    promisedAt: promisedAt.toISOString(),
  }));
};

const notes: ToHits = async (from, ids, words) => {
  const rows = await inOrder<{
    readonly id: number;
    readonly tag: string;
    readonly label: string;
    readonly customer: string;
    readonly at: Date;
    readonly text: string | null;
  }>(
    from,
    `SELECT fills.id, reels.tag, reels.label, customers.name AS customer, fills.closed_at AS at, ${NOTE_TEXT} AS text
     FROM fills ${REEL_OF_FILL}
       ${OWNER_OF_REEL} WHERE fills.id`,
    ids,
  );
  return rows.map(({ id, at, text, ...row }) => ({
    ...row,
    kind: 'note',
    fillId: id,
    at: at.toISOString(),
    words: around(text ?? '', words),
  }));
};

/** The part of a note that holds what was looked for, without the marks it is kept in. */
export function around(text: string, words: readonly string[]): string {
  const plain = text
    .replace(/["[\]]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const at = Math.max(0, ...words.map((word) => plain.toLowerCase().indexOf(word)));
  const begin = Math.max(0, at - 40);
  const part = plain.slice(begin, begin + 120);
  return `${begin > 0 ? '…' : ''}${part}${begin + 120 < plain.length ? '…' : ''}`;
}

/** What is told of each kind of entry that was found. */
export const HITS: Readonly<Record<WordKind, ToHits>> = {
  reel: reels,
  customer: customers,
  line: lines,
  piece: pieces,
  bag: bags,
  note: notes,
};
