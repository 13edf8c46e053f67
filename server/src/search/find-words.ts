import type { WordKind } from '../db/models/record';
import type { Reading } from '../context';
import { literally } from '../db/like';

/** Entries with the rarest word that are looked through first, the newest; and then, where they do not yield enough. */
const FIRST = 1000;
const THEN = 100_000;

/**
 * The entries of a kind that have all the words, each as a word's beginning; the newest first.
 *
 * @param most how many are wanted
 */
export async function findWords(
  from: Reading,
  kind: WordKind,
  words: readonly string[],
  most: number,
): Promise<number[]> {
  const values = Object.fromEntries(words.map((word, i) => [`w${String(i)}`, `${literally(word)}%`]));
  const at = (i: number): string => `:w${String(i)}`;
  const rare = await rarest(
    from,
    kind,
    words.map((_, i) => at(i)),
    values,
  );
  if (rare === null) return [];
  const others = words.flatMap((_, i) =>
    i === rare.at
      ? []
      : [
          `EXISTS (SELECT 1 FROM search_words AS o${String(i)} WHERE o${String(i)}.kind = '${kind}'
             AND o${String(i)}.ref = found.ref AND o${String(i)}.word LIKE ${at(i)})`,
        ],
  );
  const among = (candidates: number): Promise<{ readonly ref: number }[]> =>
    from.query(
      `SELECT DISTINCT found.ref FROM (SELECT ref FROM search_words WHERE kind = '${kind}' AND word LIKE ${at(rare.at)}
         ORDER BY word DESC, ref DESC LIMIT ${String(candidates)}) AS found
       ${others.length > 0 ? `WHERE ${others.join(' AND ')}` : ''} ORDER BY found.ref DESC LIMIT ${String(most)}`,
      values,
    );
  const first = await among(FIRST);
  const rows = first.length < most && rare.count >= FIRST ? await among(THEN) : first;
  return rows.map(({ ref }) => ref);
}

/** The place of the word that the fewest have, and how many; null where one of them is nobody's. Counted no further than matters. */
async function rarest(
  from: Reading,
  kind: WordKind,
  likes: readonly string[],
  values: Readonly<Record<string, string>>,
): Promise<{ readonly at: number; readonly count: number } | null> {
  const counted = likes.map(
    (like, i) =>
      `(SELECT COUNT(*) FROM (SELECT 1 FROM search_words WHERE kind = '${kind}' AND word LIKE ${like}
         LIMIT ${String(FIRST)}) AS c${String(i)}) AS n${String(i)}`,
  );
  const [row = {}] = await from.query<Record<string, number>>(`SELECT ${counted.join(', ')}`, values);
  const counts = likes.map((_, i) => Number(row[`n${String(i)}`]));
  const count = Math.min(...counts);
  return count === 0 ? null : { at: counts.indexOf(count), count };
}
