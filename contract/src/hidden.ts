/**
 * Characters nobody types on purpose and nobody sees: controls (Unicode Cc), halves of characters (Cs), which no database
 * takes, and those that turn the direction of what stands behind them (Unicode Standard Annex 9, 2), by which a name can
 * look like another. Joiners stay: scripts and emoji are made with them.
 */
const DIRECTIONS = '\\u061C\\u200E\\u200F\\u202A-\\u202E\\u2066-\\u2069';
const HIDDEN = new RegExp(`[\\p{Cc}\\p{Cs}${DIRECTIONS}]`, 'gu');
/** Line ends, however they are written, and the tab: a space in a single line. */
const BREAKS = /[\t\n\v\f\r\u0085\u2028\u2029]+/g;
const HIDDEN_BUT_BREAKS = new RegExp(`(?![\\t\\n])[\\p{Cc}\\p{Cs}${DIRECTIONS}]`, 'gu');

/** What is typed in one line, without what nobody sees in it. */
export const oneLine = (typed: string): string => typed.replace(BREAKS, ' ').replace(HIDDEN, '').trim();

/** What is typed in several lines, without what nobody sees in it. */
export const someLines = (typed: string): string =>
  typed
    .replace(/\r\n?|[\v\f\u0085\u2028\u2029]/g, '\n')
    .replace(HIDDEN_BUT_BREAKS, '')
    .trim();

/** Stands where a character that nobody sees stands in what was stored before they were taken out. */
export const SEEN = '\u2426';
/** An escape of a hidden character, any other escape (kept, so that a backslash is never taken for the next one's), or one as it is. */
const IN_JSON = new RegExp(`\\\\(?:u00[01][0-9a-f]|[bf])|(\\\\.)|[\\u007F-\\u009F${DIRECTIONS}]`, 'g');

/** Written JSON with a sign for each hidden character in it; line ends and tabs of texts stay. */
export const withHiddenSeen = (json: string): string =>
  json.replace(IN_JSON, (_, escaped: string | undefined) => escaped ?? SEEN);
