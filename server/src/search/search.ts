import type { Found, SearchHit } from '@yard-spool/contract';
import { WORD_KINDS } from '../db/models/record';
import type { Reading } from '../context/context';
import { inZone } from '../shop/shop-day';
import { readHouseRules } from '../shop/read-house-rules';
import { dayOf, hoursOf } from './days';
import { HITS } from './hits';
import { WORDS } from './search-words';
import { codeOf, wordsAsked } from '../db/words';

/** Hits of a kind that are shown. */
const SHOWN = 8;

/**
 * Looks for words among reels, customers, lines, lots, pieces, bags and notes, and for a day. Where nothing is called what
 * was typed, codes are looked for however they are written, then words with a letter wrong.
 */
export async function search(from: Reading, question: string): Promise<Found> {
  const words = wordsAsked(question);
  if (words.length === 0) return { hits: [], more: [], meant: null };
  const [day, asTyped] = await Promise.all([dayHits(from, question), among(from, words)]);
  if (day.length > 0 || asTyped.hits.length > 0)
    return { ...asTyped, hits: [...day, ...asTyped.hits], meant: null };
  const codes = words.map((word) => codeOf(word) ?? word);
  const asCodes = codes.join(' ') === words.join(' ') ? asTyped : await among(from, codes);
  if (asCodes.hits.length > 0) return { ...asCodes, meant: null };
  const meant = (await Promise.all(words.map((word) => meantBy(from, word)))).join(' ');
  const asMeant = meant === words.join(' ') ? asTyped : await among(from, meant.split(' '));
  return { ...asMeant, meant: asMeant.hits.length > 0 ? meant : null };
}

/** What is most likely meant by a word; the word itself where something is called that, or nothing is near. */
async function meantBy(from: Reading, word: string): Promise<string> {
  for (const kind of WORD_KINDS)
    if ((await from.held.of(WORDS).find(kind, [word], 1)).length > 0) return word;
  return (await from.held.of(WORDS).near(word)) ?? word;
}

async function among(from: Reading, words: readonly string[]): Promise<Omit<Found, 'meant'>> {
  const [lots, ...kinds] = await Promise.all([
    lotHits(from, words),
    ...WORD_KINDS.map(async (kind) => {
      const ids = await from.held.of(WORDS).find(kind, words, SHOWN + 1);
      return { kind, more: ids.length > SHOWN, hits: await HITS[kind](from, ids.slice(0, SHOWN), words) };
    }),
  ]);
  return {
    hits: [...lots, ...kinds.flatMap(({ hits }) => hits)],
    more: kinds.filter(({ more }) => more).map(({ kind }) => kind),
  };
}

async function dayHits(from: Reading, question: string): Promise<SearchHit[]> {
  const { zone } = await readHouseRules(from);
  const day = dayOf(question, inZone(from.clock().toISOString(), zone));
  if (day === null) return [];
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
