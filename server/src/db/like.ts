/** Typed text as LIKE finds it letter for letter: what LIKE would read as "anything" stands for itself. */
export const literally = (typed: string): string => typed.replace(/[\\%_]/g, '\\$&');

/** Nothing has this form. */
const NEVER = '^$a';

/**
 * The form of a code or tag, for REGEXP, whichever way its figures were typed: `r129` is R-0129, with or without dash and
 * zeros. What is no code has a form that nothing has.
 */
export function codeForm(typed: string): string {
  const [, letters, figures] = /^([a-z]{1,4})[-/]?0*(\d{1,9})$/i.exec(typed) ?? [];
  return letters === undefined || figures === undefined ? NEVER : `^${letters}[-/]?0*${figures}$`;
}
