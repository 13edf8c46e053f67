/** Plain letters and numbers as they are compared: 0,26 is 0.26, and É is e. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '')
    .toLowerCase()
    .replaceAll(/(\d),(?=\d)/g, '$1.')
    // A figure and its unit are one word: 8 lb is not 0.8 mm of 20 lb.
    .replaceAll(/(\d)\s*(lb|kg|mm|in|m|yd)(?![\p{L}])/gu, '$1$2');

const wordsOf = (text: string): string[] => plain(text).split(/[^\p{L}\p{N}.-]+/u);

/** What a word may begin with to be found: a whole one like N-207 or 0.26mm, and each of its parts. */
export const beginnings = (text: string): string[] =>
  wordsOf(text).flatMap((word) => [
    word,
    ...word.split('-'),
    ...(word.startsWith('0.') ? [word.slice(1), word.slice(2)] : []),
  ]);

/** Whether every word that is typed begins a word of a text: "clear n", "0.26", "8 lb", "207". */
export const finds = (typed: string, text: string): boolean => finder(typed)(beginnings(text));

/** Asks many texts for what is typed, each by its beginnings: those are made once, not at each key. */
export function finder(typed: string): (begun: readonly string[]) => boolean {
  const words = wordsOf(typed);
  return (begun) => words.every((word) => begun.some((one) => one.startsWith(word)));
}
