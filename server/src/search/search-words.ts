import type { Held } from '../context/held';
import type { Query } from '../context/query';
import { WORD_KINDS, type WordKind } from '../db/models/record';
import { Postings } from './postings';

/** A word of an entry. */
export interface WordOf {
  readonly word: string;
  readonly ref: number;
}

/** What of an entry's words was taken away, and what was written instead. */
interface Change {
  readonly kind: WordKind;
  readonly gone: readonly WordOf[];
  readonly written: readonly WordOf[];
}

/** Rows that are read in one go: the server does other things in between. */
const PART = 4000;

/**
 * The words everything is searched by, held in memory beside their table: a search asks the database for nothing but what
 * it shows. Read once; from then on told of every change when that is kept. No other program writes the table meanwhile.
 */
export class SearchWords {
  private reading: Promise<Map<WordKind, Postings>> | null = null;
  private held: Map<WordKind, Postings> | null = null;
  /** What was changed while the table was read. */
  private waiting: Change[] = [];

  /** @param query asks what is committed */
  constructor(private readonly query: Query) {}

  /**
   * The entries of a kind that have all the words, each as a word's beginning; the newest first.
   *
   * @param most how many are wanted
   */
  async find(kind: WordKind, words: readonly string[], most: number): Promise<number[]> {
    const held = this.held ?? (await this.read());
    return held.get(kind)?.withAll(words, most) ?? [];
  }

  /** The word of any kind that is most likely meant by one that nothing has; null where none is near. */
  async near(word: string): Promise<string | null> {
    const held = this.held ?? (await this.read());
    const found = [...held.values()].flatMap((postings) => postings.near(word) ?? []);
    return found.sort((a, b) => a.away - b.away || b.many - a.many)[0]?.word ?? null;
  }

  /** Reads them before anybody waits for them. */
  async ready(): Promise<void> {
    if (!this.held) await this.read();
  }

  /** To be told once a change is kept. */
  changed(change: Change): void {
    if (this.held) apply(this.held, change);
    else if (this.reading) this.waiting.push(change);
  }

  /** The table is another one now: it is read again. */
  forget(): void {
    this.reading = null;
    this.held = null;
    this.waiting = [];
  }

  private read(): Promise<Map<WordKind, Postings>> {
    if (this.reading) return this.reading;
    const reading: Promise<Map<WordKind, Postings>> = this.readAll().then(
      (held) => {
        if (this.reading !== reading) return this.read();
        // Some of it may have been read already: what is there is added, and what is gone removed, but once.
        for (const change of this.waiting) apply(held, change);
        this.held = held;
        this.waiting = [];
        return held;
      },
      (error: unknown) => {
        if (this.reading === reading) this.forget();
        throw error;
      },
    );
    this.reading = reading;
    return reading;
  }

  private async readAll(): Promise<Map<WordKind, Postings>> {
    const held = new Map<WordKind, Postings>();
    for (const kind of WORD_KINDS) {
      let after: WordOf = { word: '', ref: 0 };
      for (let more = true; more;) {
        const rows = await this.query<WordOf>(
          `SELECT word, ref FROM search_words
            WHERE kind = :kind AND (word > :word OR (word = :word AND ref > :ref))
            ORDER BY word, ref LIMIT ${String(PART)}`,
          { kind, ...after },
        );
        apply(held, { kind, gone: [], written: rows });
        after = rows.at(-1) ?? after;
        more = rows.length === PART;
      }
    }
    return held;
  }
}

function apply(held: Map<WordKind, Postings>, { kind, gone, written }: Change): void {
  const postings = held.get(kind) ?? new Postings();
  held.set(kind, postings);
  for (const { word, ref } of gone) postings.remove(word, ref);
  for (const { word, ref } of written) postings.add(word, ref);
}

/** The words of this database. */
export const WORDS: Held<SearchWords> = {
  make: (query) => new SearchWords(query),
  forget: (words) => words.forget(),
};
