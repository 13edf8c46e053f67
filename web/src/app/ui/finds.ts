/** Plain letters and numbers as they are compared: 0,26 is 0.26, and É is e. */
const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '')
    .toLowerCase()
    .replaceAll(/(\d),(?=\d)/g, '$1.')
    // A figure and its unit are one word: 8 lb is not 0.8 mm of 20 lb.
    .replaceAll(/(\d)\s*(lb|kg|mm|in|m|yd)(?![\p{L}])/gu, '$1$2');

/** What a word may begin with to be found: a whole one like N-207 or 0.26mm, and each of its parts. */
const beginnings = (text: string): string[] =>
  plain(text)
    .split(/[^\p{L}\p{N}.-]+/u)
    .flatMap((word) => [
      word,
      ...word.split('-'),
      ...(word.startsWith('0.') ? [word.slice(1), word.slice(2)] : []),
    ]);

/** Whether every word that is typed begins a word of a text: "clear n", "0.26", "8 lb", "207". */
export function finds(typed: string, text: string): boolean {
  const begun = beginnings(text);
  return plain(typed)
    .split(/[^\p{L}\p{N}.-]+/u)
    .every((word) => begun.some((one) => one.startsWith(word)));
}
