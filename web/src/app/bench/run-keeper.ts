import { DestroyRef, inject, Injectable } from '@angular/core';
import { api, type Run } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import { addressOf } from '../data/api.service';
import { SavedReplies } from '../data/saved-replies';

/** How long a log may have gone on before it is kept again, ms. */
const SOON_MS = 500;

/** Keeps the run that is open in the browser, as far as the server has it: with the server away it opens again there. */
@Injectable()
export class RunKeeper {
  private readonly kept = inject(SavedReplies);
  private next: Run | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor() {
    const now = (): void => this.write();
    window.addEventListener('pagehide', now);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('pagehide', now);
      this.write();
    });
  }

  keep(run: Run, events: readonly RunEvent[]): void {
    this.next = { ...run, events: [...events] };
    this.timer ??= setTimeout(() => this.write(), SOON_MS);
  }

  private write(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    if (this.next) void this.kept.keep(addressOf(api.readRun, { params: { id: this.next.id } }), this.next);
    this.next = null;
  }
}
