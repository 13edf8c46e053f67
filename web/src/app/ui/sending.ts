import { signal } from '@angular/core';
import type { AbstractControl } from '@angular/forms';
import { finalize, tap, type Observable } from 'rxjs';
import { RequestProblem, sentenceOf } from '../data/request-problem';

/** One form's request: whether it is on its way, and what the server said no with. What was typed is never touched. */
export class Sending {
  private readonly onItsWay = signal(false);
  private readonly why = signal('');
  private readonly wrong = signal<readonly { readonly path: string; readonly message: string }[]>([]);

  readonly busy = this.onItsWay.asReadonly();
  readonly problem = this.why.asReadonly();

  /** What was wrong with one field, empty where nothing was. */
  readonly at = (path: string): string => this.wrong().find((one) => one.path === path)?.message ?? '';

  /** Forgets what was refused. */
  clear(): void {
    this.why.set('');
    this.wrong.set([]);
  }

  /** Saves what was typed. What is typed on the way stays, and is saved next: only what is untouched shows what was kept. */
  save<T>(typed: readonly AbstractControl[], ask: Observable<T>, show: (kept: T) => void): void {
    if (this.onItsWay()) return;
    for (const one of typed) one.markAsPristine();
    const refused = (): void => {
      for (const one of typed) one.markAsDirty();
    };
    this.send(ask.pipe(tap({ error: refused })), (kept) => {
      if (typed.every(({ pristine }) => pristine)) show(kept);
    });
  }

  /** Sends, unless something is on its way already: a double click sends once. */
  send<T>(
    ask: Observable<T>,
    done: (value: T) => void,
    refused: (problem: RequestProblem) => void = () => undefined,
  ): void {
    if (this.onItsWay()) return;
    this.clear();
    this.onItsWay.set(true);
    ask.pipe(finalize(() => this.onItsWay.set(false))).subscribe({
      next: done,
      error: (error: unknown) => {
        this.why.set(sentenceOf(error));
        if (!(error instanceof RequestProblem)) return;
        this.wrong.set(error.fields);
        refused(error);
      },
    });
  }
}
