import { literally } from './like';
import type { WordKind } from './models/record';
import { codeOf, wordsOf } from './words';

/** SQL that narrows a question down, and what it is asked with. */
export interface Narrowed {
  readonly sql: string;
  readonly words: Readonly<Record<string, string>>;
}

/**
 * Narrows what was typed down to entries that have a word of it, by the words that are kept: without it every entry of a
 * shop is looked at. It keeps all that can be meant; whether they are is asked beside it.
 *
 * @param column the entries’ numbers
 */
export function beginsWith(kind: WordKind, column: string, typed: string): Narrowed {
  const [word] = wordsOf(typed);
  if (word === undefined) return { sql: 'TRUE', words: {} };
  return {
    sql: `${column} IN (SELECT ref FROM search_words WHERE kind = '${kind}' AND (word LIKE :kept OR word LIKE :keptCode))`,
    words: { kept: `${literally(word)}%`, keptCode: `${literally(codeOf(word) ?? word)}%` },
  };
}
