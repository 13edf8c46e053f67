import { partsOfCode } from './holds-code';

/** Words of no use in a question: people type them all the same. */
const NOISE = new Set(
  'a an and are did for from get gets got had has have in is it its of off on or our reel reels the to was were what when where which who whose with'.split(
    ' ',
  ),
);
const LONGEST = 40;
/** Words of one entry that are kept: more than the longest notes of a fill have, and a bound all the same. */
const MOST = 300;
/** Words of a question that are looked for. */
const MOST_ASKED = 6;

/** A text's words in lower case without accents; codes, tags and figures whole, with a point in a figure. */
function wholeWords(text: string): string[] {
  const plain = text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
  const found = plain.match(/[\p{L}\p{N}]+(?:[.,\-/][\p{L}\p{N}]+)*/gu) ?? [];
  return found.map((word) => word.replace(/,/g, '.'));
}

const short = (word: string): string => word.slice(0, LONGEST);

/** A code without its dash and the zeros before its number: R-0129, r129 and R-129 are one; null for what is no code. */
export const codeOf = (word: string): string | null => partsOfCode(word)?.join('') ?? null;

/** The words of a text as they are kept: codes and tags whole and in their parts, so that R-0042 is found by either. */
export function wordsOf(text: string): string[] {
  const words = wholeWords(text).flatMap((word) => {
    const code = codeOf(word);
    return [word, ...(/[-/]/.test(word) ? word.split(/[-/]/) : []), ...(code === null ? [] : [code])];
  });
  return [...new Set(words.filter(Boolean).map(short))].slice(0, MOST);
}

/** What a question looks for, without the words that only ask; all of them where nothing else is left. */
export function wordsAsked(question: string): string[] {
  const words = wholeWords(question).map(short);
  const telling = words.filter((word) => !NOISE.has(word));
  return [...new Set(telling.length > 0 ? telling : words)].slice(0, MOST_ASKED);
}
