import type { Page } from '@yard-spool/contract';

/**
 * A page of rows that were read with one more than it holds: that one only says that there is a next page.
 *
 * @param after where the page behind a row begins
 */
export function pageOf<T>(rows: readonly T[], most: number, after: (last: T) => string): Page<T> {
  const shown = rows.slice(0, most);
  const last = shown.at(-1);
  return { rows: shown, next: rows.length > most && last !== undefined ? after(last) : null };
}
