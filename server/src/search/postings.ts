import { distance } from 'fastest-levenshtein';

/** Words shorter than this may be anything with one letter wrong; from so long on two letters may be. */
const SHORT = 4;
const LONG = 8;

/** A word that may be meant: how many letters are wrong then, and how many entries have it. */
export interface Near {
  readonly word: string;
  readonly away: number;
  readonly many: number;
}

/** Letters of a word that may be wrong; none in a short one, or in a code. */
function mayBeWrong(word: string): number {
  if (word.length < SHORT || /\d/.test(word)) return 0;
  return word.length < LONG ? 1 : 2;
}

const nearer = (one: Near, other: Near): boolean =>
  one.away < other.away || (one.away === other.away && one.many > other.many);

/** The words of one kind of entry, and which entries have each. Entries are known by their numbers, from 1. */
export class Postings {
  /** By word, the entries that have it, in order. */
  private readonly refs = new Map<string, number[]>();
  /** All words, in order. */
  private readonly words: string[] = [];
  private highest = 0;

  add(word: string, ref: number): void {
    let refs = this.refs.get(word);
    if (!refs) {
      this.words.splice(placeIn(this.words, word), 0, word);
      this.refs.set(word, (refs = []));
    }
    this.highest = Math.max(this.highest, ref);
    // Most come with the newest entry: behind all others.
    const place = ref > (refs.at(-1) ?? 0) ? refs.length : placeIn(refs, ref);
    if (refs[place] !== ref) refs.splice(place, 0, ref);
  }

  remove(word: string, ref: number): void {
    const refs = this.refs.get(word);
    if (!refs) return;
    const place = placeIn(refs, ref);
    if (refs[place] === ref) refs.splice(place, 1);
    if (refs.length > 0) return;
    this.refs.delete(word);
    this.words.splice(placeIn(this.words, word), 1);
  }

  /**
   * The entries that have all the words, each as a word's beginning; those with the highest numbers first. What it costs
   * grows with how many entries have each word, and not with how many have all.
   *
   * @param most how many are wanted
   */
  withAll(beginnings: readonly string[], most: number): number[] {
    const lists = beginnings.map((beginning) => this.beginningWith(beginning));
    if (lists.length === 0 || lists.some((one) => one.length === 0)) return [];
    // How many of the words, in their order, an entry has so far.
    const has = new Uint8Array(this.highest + 1);
    const found: number[] = [];
    lists.forEach((list, i) => {
      for (const refs of list)
        for (const ref of refs)
          if (has[ref] === i) {
            has[ref] = i + 1;
            if (i === lists.length - 1) found.push(ref);
          }
    });
    return found.sort((a, b) => b - a).slice(0, most);
  }

  /**
   * The word that is most likely meant by one that nothing has: one letter wrong, missing, or too many, two in a long word,
   * never the first. Of several the one that is nearest, then the one that most entries have.
   *
   * @returns null where none is that near
   */
  near(word: string): Near | null {
    const most = mayBeWrong(word);
    if (most === 0) return null;
    let best: Near | null = null;
    const first = word.charAt(0);
    for (let i = placeIn(this.words, first); this.words[i]?.startsWith(first); i += 1) {
      const there = this.words[i] ?? '';
      if (Math.abs(there.length - word.length) > most) continue;
      const away = distance(word, there);
      if (away > most) continue;
      const one = { word: there, away, many: this.refs.get(there)?.length ?? 0 };
      if (!best || nearer(one, best)) best = one;
    }
    return best;
  }

  private beginningWith(beginning: string): readonly (readonly number[])[] {
    const lists: (readonly number[])[] = [];
    for (let i = placeIn(this.words, beginning); this.words[i]?.startsWith(beginning); i += 1)
      lists.push(this.refs.get(this.words[i] ?? '') ?? []);
    return lists;
  }
}

/** Where something stands among what is in order, or would stand. */
function placeIn<T extends string | number>(all: readonly T[], one: T): number {
  let from = 0;
  let to = all.length;
  while (from < to) {
    const middle = (from + to) >>> 1;
    const there = all[middle];
    if (there !== undefined && there < one) from = middle + 1;
    else to = middle;
  }
  return from;
}
