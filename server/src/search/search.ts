import type { Found, SearchHit } from '@yard-spool/contract';
import { WORD_KINDS } from '../db/models/record';
import type { Reading } from '../context';
import { readHouseRules } from '../house-rules/read-house-rules';
import { dayOf, hoursOf } from './days';
import { HITS } from './hits';
import { wordsAsked } from './words';

/** Hits of a kind that are shown. */
const SHOWN = 8;

/** Looks for words among reels, customers, lines, lots, pieces, bags and notes, and for a day. */
export async function search(from: Reading, question: string): Promise<Found> {
  const words = wordsAsked(question);
  if (words.length === 0) return { hits: [], more: [] };
  const [day, lots, ...kinds] = await Promise.all([
    dayHits(from, question),
    lotHits(from, words),
    ...WORD_KINDS.map(async (kind) => {
      const ids = await from.words.find(kind, words, SHOWN + 1);
      return { kind, more: ids.length > SHOWN, hits: await HITS[kind](from, ids.slice(0, SHOWN), words) };
    }),
  ]);
  return {
    hits: [...day, ...lots, ...kinds.flatMap(({ hits }) => hits)],
    more: kinds.filter(({ more }) => more).map(({ kind }) => kind),
  };
}

async function dayHits(from: Reading, question: string): Promise<SearchHit[]> {
  const day = dayOf(question);
  if (day === null) return [];
  const { zone } = await readHouseRules(from);
  const [row] = await from.query<{ readonly fills: number }>(
    `SELECT COUNT(*) AS fills FROM fills
     WHERE taken_back_at IS NULL AND closed_at >= :begin AND closed_at < :end`,
    { ...hoursOf(day, zone) },
  );
  return [{ kind: 'day', day, fills: row?.fills ?? 0 }];
}

/** Lots are asked for by their whole name, with or without the word. */
async function lotHits(from: Reading, words: readonly string[]): Promise<SearchHit[]> {
  const named = words.filter((word) => word !== 'lot');
  if (named.length === 0) return [];
  const rows = await from.query<{ readonly lot: string; readonly name: string; readonly pieces: number }>(
    `SELECT pieces.lot, MIN(products.name) AS name, COUNT(*) AS pieces FROM pieces
       JOIN products ON products.id = pieces.product_id
     WHERE pieces.lot IN (:named) AND pieces.lot <> '' GROUP BY pieces.lot LIMIT ${String(SHOWN)}`,
    { named },
  );
  return rows.map((row) => ({ kind: 'lot', ...row }));
}
