import { filter, fromEvent, map, merge, type Observable } from 'rxjs';
import type { Waiting } from './waiting';

const PREFIX = 'yard-spool-press ';

/**
 * What was pressed and is not in the browser's database yet. That takes a moment, and a page that is left in it would lose
 * what its screen showed: a note is written before anything is shown, and thrown away once the database has it.
 */
export const pressNotes = {
  add(waiting: readonly Waiting[]): void {
    for (const one of waiting) tried(() => localStorage.setItem(PREFIX + one.event.id, JSON.stringify(one)));
  },

  drop(ids: readonly string[]): void {
    for (const id of ids) tried(() => localStorage.removeItem(PREFIX + id));
  },

  /** Notes of a page that was left, or of another that is at it. */
  all(): Waiting[] {
    return Array.from({ length: tried(() => localStorage.length) ?? 0 }, (_, i) => localStorage.key(i))
      .filter((key) => key?.startsWith(PREFIX))
      .flatMap((key) => tried(() => JSON.parse(localStorage.getItem(key ?? '') ?? '') as Waiting) ?? []);
  },
};

/**
 * Told where another page of this browser may have left something: it noted a press, or this one is looked at again. A page
 * tells nobody that it is closed.
 */
export const notedElsewhere = (): Observable<void> =>
  merge(
    fromEvent<StorageEvent>(window, 'storage').pipe(
      filter(({ key, newValue }) => newValue !== null && key?.startsWith(PREFIX) === true),
    ),
    fromEvent(document, 'visibilitychange').pipe(filter(() => document.visibilityState === 'visible')),
  ).pipe(map(() => undefined));

/** A browser that keeps nothing, or has no room, keeps no note: what waits is in the page all the same. */
function tried<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}
