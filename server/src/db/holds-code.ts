/** A code or tag: a few letters and a number. */
const CODE = /^([a-z]{1,4})[-/]?0*(\d{1,9})$/i;

/** The letters of a code and its figures without the zeros before them; null for what is no code. */
export function partsOfCode(word: string): readonly [letters: string, figures: string] | null {
  const [, letters, figures] = CODE.exec(word) ?? [];
  return letters === undefined || figures === undefined ? null : [letters.toLowerCase(), figures];
}

/** SQL that is true where a column holds a typed code, whichever way its figures were typed; false where it is no code. */
export function holdsCode(column: string, word: string): string {
  const parts = partsOfCode(word);
  // Letters and figures alone: nothing in them can end the text they stand in.
  return parts === null ? 'FALSE' : `${column} REGEXP '^${parts[0]}[-/]?0*${parts[1]}$'`;
}
