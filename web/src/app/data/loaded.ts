import { DestroyRef, inject, signal, type Signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import {
  catchError,
  combineLatest,
  concat,
  EMPTY,
  map,
  of,
  startWith,
  Subject,
  switchMap,
  type Observable,
} from 'rxjs';
import { RequestProblem, sentenceOf } from './request-problem';

/** Something asked of the server: still on its way, here, or not to be had and why. */
export type Loaded<T> =
  | { readonly state: 'loading' }
  | { readonly state: 'ready'; readonly value: T }
  | { readonly state: 'failed'; readonly sentence: string; readonly gone?: boolean };

/** A loaded value as a signal, and a way to ask again. What is shown stays while it is asked for again. */
export interface Loader<T> {
  readonly now: Signal<Loaded<T>>;
  /** The value, or undefined while there is none. */
  readonly value: () => T | undefined;
  readonly reload: () => void;
}

/** Whether what was asked for is not there at all, or cannot be had now. */
const failedBy = (error: unknown): Loaded<never> => ({
  state: 'failed',
  sentence: sentenceOf(error),
  ...(error instanceof RequestProblem && error.code === 'not-found' ? { gone: true } : {}),
});

/** Asks at once and at each reload. Must be called where `inject` works. */
export function load<T>(ask: () => Observable<T>): Loader<T> {
  return loader(of(undefined), ask);
}

/**
 * Asks for each input there is, and again at each reload: one that failed takes none of the next with it. Must be called
 * where `inject` works.
 *
 * @param between what is shown while the next one is asked for
 */
export function loadFor<T, I>(
  input: Signal<I>,
  ask: (input: I) => Observable<T>,
  between: 'the last one' | 'nothing' = 'the last one',
): Loader<T> {
  const waits = between === 'nothing' ? of<Loaded<T>>({ state: 'loading' }) : EMPTY;
  return loader(toObservable(input), ask, waits);
}

function loader<T, I>(
  input$: Observable<I>,
  ask: (input: I) => Observable<T>,
  waits: Observable<Loaded<T>> = EMPTY,
): Loader<T> {
  const again = new Subject<void>();
  const now = signal<Loaded<T>>({ state: 'loading' });
  // Once for each input and each reload; what fails is caught inside, so that the next is asked for all the same.
  combineLatest([input$, again.pipe(startWith(undefined))])
    .pipe(
      switchMap(([input]) =>
        concat(
          waits,
          ask(input).pipe(
            map((value): Loaded<T> => ({ state: 'ready', value })),
            catchError((error: unknown) => of(failedBy(error))),
          ),
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
