/**
 * Where a spreadsheet begins to read a formula: at the beginning of a cell, and behind whatever another country's
 * spreadsheet takes for the end of one; spaces and apostrophes may come before it.
 */
const BEGINS = /(^|[;,\t|\r\n])( *)('*)(?=[=+\-@])/g;

/** A text that a spreadsheet would run as a formula is led by an apostrophe, which it shows and does not run. */
export const harmless = (text: string): string => text.replace(BEGINS, "$1$2'$3");

/** The text as it was before it was made harmless: the same again, whatever it was. */
export const asItWas = (text: string): string =>
  text.replace(BEGINS, (_, end: string, spaces: string, led: string) => end + spaces + led.slice(1));
