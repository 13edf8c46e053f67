import { computed, DestroyRef, inject, signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Page } from '@yard-spool/contract';
import { catchError, EMPTY, map, Subject, switchMap, type Observable } from 'rxjs';
import type { Loaded } from './loaded';
import { sentenceOf } from './request-problem';

/** A list that comes in pages: what is here of it, whether there is more, and ways to ask. */
export interface Pages<T> {
  /** Rows so far; what is shown stays while more is asked for. */
  readonly rows: Signal<readonly T[]>;
  readonly now: Signal<Loaded<readonly T[]>>;
  readonly more: Signal<boolean>;
  /** Asks for the next page, unless it is asked for already. */
  readonly next: () => void;
  /** Asks from the beginning again. */
  readonly reload: () => void;
}

/** A list asked page by page; nothing before the first `reload`. Must be called where `inject` works. */
export function pages<T>(ask: (after: string) => Observable<Page<T>>): Pages<T> {
  const asked = new Subject<string>();
  const rows = signal<readonly T[]>([]);
  const now = signal<Loaded<readonly T[]>>({ state: 'loading' });
  const following = signal<string | null>(null);
  let asking = false;
  asked
    .pipe(
      switchMap((after) =>
        ask(after).pipe(
          map((page) => ({ after, page })),
          catchError((error: unknown) => {
            asking = false;
            now.set({ state: 'failed', sentence: sentenceOf(error) });
            return EMPTY;
          }),
        ),
      ),
      takeUntilDestroyed(inject(DestroyRef)),
    )
    .subscribe(({ after, page }) => {
      asking = false;
      rows.update((before) => (after === '' ? page.rows : [...before, ...page.rows]));
      following.set(page.next);
      now.set({ state: 'ready', value: rows() });
    });
  const go = (after: string): void => {
    asking = true;
    asked.next(after);
  };
  return {
    rows: rows.asReadonly(),
    now: now.asReadonly(),
    more: computed(() => following() !== null),
    next: () => {
      const after = following();
      if (after !== null && !asking) go(after);
    },
    reload: () => go(''),
  };
}
