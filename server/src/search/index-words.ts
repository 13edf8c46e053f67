import { OWNER_OF_REEL } from '../db/joins';
import type { Unit } from '../context/context';
import { NOTE_TEXT } from './note-text';
import type { WordKind } from '../db/models/record';
import { WORDS, type WordOf } from './search-words';
import { wordsOf } from '../db/words';

interface Entry {
  readonly id: number;
  readonly text: string;
}

/** What each kind of entry is searched by; the question is closed with which of them. */
const TEXT: Readonly<Record<WordKind, string>> = {
  reel: `SELECT reels.id, CONCAT_WS(' ', reels.tag, reels.label, reels.looks, reels.type, customers.name,
       (SELECT GROUP_CONCAT(reel_tags.tag SEPARATOR ' ') FROM reel_tags WHERE reel_tags.reel_id = reels.id)) AS text
     FROM reels ${OWNER_OF_REEL} WHERE reels.id`,
  customer: `SELECT id, CONCAT_WS(' ', name, contact) AS text FROM customers WHERE id`,
  line: `SELECT id, CONCAT_WS(' ', code, name, material, 0 + diameter, FORMAT(diameter, 2),
       IF(strength_kg IS NULL, NULL, CONCAT_WS(' ', ROUND(strength_kg / 0.45359237), 'lb',
         CONCAT(ROUND(strength_kg / 0.45359237), 'lb'), 0 + ROUND(strength_kg, 1), 'kg')),
       JSON_VALUE(maker, '$.strength'), JSON_VALUE(maker, '$.diameter')) AS text
     FROM products WHERE id`,
  piece: `SELECT pieces.id, CONCAT_WS(' ', pieces.code, IF(pieces.lot = '', NULL, CONCAT('lot ', pieces.lot)),
       products.name) AS text
     FROM pieces JOIN products ON products.id = pieces.product_id WHERE pieces.id`,
  bag: `SELECT id, CONCAT_WS(' ', 'bag', id, notes) AS text FROM bags WHERE id`,
  note: `SELECT fills.id, ${NOTE_TEXT} AS text
     FROM fills WHERE fills.taken_back_at IS NULL AND fills.id`,
};

/** The words of some entries in place of those that were kept of them. */
async function keepWords(
  u: Unit,
  kind: WordKind,
  ids: readonly number[],
  entries: readonly Entry[],
): Promise<void> {
  if (ids.length === 0) return;
  const gone = await u.query<WordOf>(
    'DELETE FROM search_words WHERE kind = :kind AND ref IN (:ids) RETURNING word, ref',
    { kind, ids },
  );
  const written = entries.flatMap(({ id, text }) => wordsOf(text).map((word) => ({ word, ref: id })));
  await u.tables.searchWords.createAll(written.map((one) => ({ kind, ...one })));
  u.afterCommit(() => u.held.of(WORDS).changed({ kind, gone, written }));
}

/** Keeps the words of some entries as they are now. To be called whenever what they are called changes. */
export async function noteWords(u: Unit, kind: WordKind, ids: readonly number[]): Promise<void> {
  if (ids.length > 0) await keepWords(u, kind, ids, await u.query<Entry>(`${TEXT[kind]} IN (:ids)`, { ids }));
}

/** Entries whose words are kept in one go. */
const BATCH = 500;

/** Keeps the words of everything of a kind from an entry on; says where to go on, or null behind the last. */
export async function noteWordsFrom(u: Unit, kind: WordKind, after: number): Promise<number | null> {
  const rows = await u.query<Entry>(`${TEXT[kind]} > :after ORDER BY 1 LIMIT ${String(BATCH)}`, { after });
  const ids = rows.map(({ id }) => id);
  await keepWords(u, kind, ids, rows);
  return rows.length < BATCH ? null : (ids.at(-1) ?? null);
}
