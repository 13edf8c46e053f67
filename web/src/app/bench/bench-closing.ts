import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import type { RunStep } from '@yard-spool/core';
import { finalize } from 'rxjs';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import type { JustFilled } from '../help/tours';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';
import { savingWords } from './saving-words';

/** What the page that comes up afterwards is told of it. */
const FILLED: JustFilled = { filled: true };
/** How soon a close that did not get through is tried again, ms. */
const AGAIN_MS = 2000;

/** Closing the reel: at once, or as soon as the server has everything that happened here. */
@Injectable()
export class BenchClosing {
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);
  private readonly router = inject(Router);
  private readonly wanted = signal(false);
  private readonly refused = signal('');

  readonly busy = signal(false);
  /** What stands in its way, or what it waits for; empty where nothing does. */
  readonly words = computed(() =>
    this.wanted()
      ? `${savingWords(this.store)}. The reel is closed as soon as that is saved; Z leaves it open.`
      : this.refused(),
  );

  constructor() {
    effect(() => {
      if (this.wanted() && this.store.waiting() === 0) untracked(() => this.closeNow());
    });
  }

  /** Closes the reel after its last step. Every key stays alive while that waits. */
  close(step: RunStep | null): void {
    this.refused.set(this.inTheWay());
    if (this.refused() === '') void this.store.finishAll(step).then(() => this.wanted.set(true));
  }

  leaveOpen(): void {
    this.wanted.set(false);
    this.refused.set('');
  }

  private inTheWay(): string {
    if (this.bench.question()) return 'Say first which reading is wrong.';
    const device = this.store.counterHeard() ? this.store.device() : null;
    if (!device) return '';
    // Heard again just now, it is asked about in a moment: what was done meanwhile is not settled yet.
    const open = this.store.state()?.unheard[device.name] !== undefined;
    return open || this.store.counter()?.odd ? `Say first what ${device.name} counted.` : '';
  }

  private closeNow(): void {
    if (this.busy()) return;
    this.busy.set(true);
    this.store
      .close()
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: () => void this.router.navigate(['/reels', this.store.run()?.job.tag], { state: FILLED }),
        error: (error: unknown) => this.notYet(error),
      });
  }

  private notYet(error: unknown): void {
    if (error instanceof RequestProblem && error.code === 'server-away') {
      setTimeout(() => {
        if (this.wanted()) this.closeNow();
      }, AGAIN_MS);
      return;
    }
    this.wanted.set(false);
    this.refused.set(sentenceOf(error));
  }
}
