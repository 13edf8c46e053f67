import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { sentenceOf } from '../data/request-problem';
import { text } from '../ui/text-control';
import { RunStore } from './run-store';

/** A reel that is filled, and the way to open it again. */
@Component({
  selector: 'ys-closed-reel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (reopening()) {
      <form class="grid gap-2 pt-4" (submit)="$event.preventDefault(); reopen()">
        <label class="block">
          <span class="caption block pb-0.5">Why it is opened again</span>
          <input #reason class="entry" autocomplete="off" (input)="why.setValue(reason.value)" />
        </label>
        <button class="go">Open it again <span class="key">Enter</span></button>
      </form>
    } @else {
      <p class="pt-2">
        Something was wrong? Opening it again gives its line back to the rack until it is closed once more.
      </p>
      <button type="button" class="plain mt-3" (click)="reopening.set(true)">Open it again</button>
    }
    @if (refused(); as sentence) {
      <p class="look mt-3 px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
    }
  `,
})
export class ClosedReel {
  private readonly store = inject(RunStore);

  protected readonly why = text();
  protected readonly reopening = signal(false);
  protected readonly refused = signal('');

  protected reopen(): void {
    if (this.why.value.trim() === '') return;
    this.store.reopen(this.why.value).subscribe({
      next: () => this.reopening.set(false),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
