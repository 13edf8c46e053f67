import { DestroyRef, inject, signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { catchError, map, of, startWith, Subject, switchMap, type Observable } from 'rxjs';
import { sentenceOf } from './request-problem';

/** Something asked of the server: still on its way, here, or not to be had and why. */
export type Loaded<T> =
  | { readonly state: 'loading' }
  | { readonly state: 'ready'; readonly value: T }
  | { readonly state: 'failed'; readonly sentence: string };

/** A loaded value as a signal, and a way to ask again. What is shown stays while it is asked for again. */
export interface Loader<T> {
  readonly now: Signal<Loaded<T>>;
  /** The value, or undefined while there is none. */
  readonly value: () => T | undefined;
  readonly reload: () => void;
}

/** Asks at once and at each reload. Must be called where `inject` works. */
export function load<T>(ask: () => Observable<T>): Loader<T> {
  const again = new Subject<void>();
  const now = signal<Loaded<T>>({ state: 'loading' });
  again
    .pipe(
      startWith(undefined),
      switchMap(() =>
        ask().pipe(
          map((value): Loaded<T> => ({ state: 'ready', value })),
          catchError((error: unknown) => of<Loaded<T>>({ state: 'failed', sentence: sentenceOf(error) })),
        ),
      ),
      takeUntilDestroyed(inject(DestroyRef)),
    )
    .subscribe((next) => now.set(next));
  const value = (): T | undefined => {
    const current = now();
    return current.state === 'ready' ? current.value : undefined;
  };
  return { now: now.asReadonly(), value, reload: () => again.next() };
}
