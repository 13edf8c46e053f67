import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Gone } from './gone';
import type { Loaded } from '../data/loaded';

/** Says that something is on its way, or why it did not come and how to ask again. Nothing once it is here. */
@Component({
  selector: 'ys-load-state',
  imports: [Gone],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let now = of();
    @if (now.state === 'loading') {
      <p class="p-4 text-mute" aria-live="polite">Fetching {{ what() }}…</p>
    } @else if (now.state === 'failed' && now.gone && page()) {
      <ys-gone [words]="now.sentence" />
    } @else if (now.state === 'failed') {
      <div class="look flex flex-wrap items-center gap-4 p-4" role="alert">
        <span class="font-bold">{{ now.sentence }}</span>
        <button type="button" class="plain" (click)="again.emit()">Ask again</button>
      </div>
    }
  `,
  host: { class: 'block empty:hidden' },
})
export class LoadState {
  readonly of = input.required<Loaded<unknown>>();
  readonly what = input.required<string>();
  /** Whether it is what the page is about: where it is not there, the page says nothing else. */
  readonly page = input(false);
  readonly again = output();
}
