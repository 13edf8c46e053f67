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
  private next: { readonly run: Run; readonly events: readonly RunEvent[] } | null = null;
  /** What is kept of it by now. */
  private there: { readonly run: Run; readonly upTo: number; readonly count: number } | null = null;
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
    this.next = { run, events };
    this.timer ??= setTimeout(() => this.write(), SOON_MS);
  }

  /** Only what came to it is written, unless the run itself is another: a long log would be written whole twice a second. */
  private write(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    if (!this.next) return;
    const { run, events } = this.next;
    const address = addressOf(api.readRun, { params: { id: run.id } });
    const { there } = this;
    const since = there ? events.slice(events.findLastIndex(({ seq }) => seq <= there.upTo) + 1) : [];
    // Something may have come late, in among what is kept.
    const goesOn = there?.run === run && there.count + since.length === events.length;
    if (!goesOn) void this.kept.keep(address, { ...run, events: [...events] });
    else if (since.length > 0) void this.kept.keepSince(address, since);
    this.there = { run, upTo: events.at(-1)?.seq ?? 0, count: events.length };
    this.next = null;
  }
}
