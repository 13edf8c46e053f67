import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { useKeys } from '../keyboard/keyboard.service';
import { helpFor } from './screen-help';
import { TourGuide } from './tour-guide.service';
import { TOURS, type Tour } from './tours';

/** What the screen is for, and the tours that can be begun. */
@Component({
  selector: 'ys-help-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <aside
      class="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b-3 border-ink bg-card px-5 py-3 max-md:px-3 print:hidden"
      aria-label="What this screen is for"
      data-test="screen-help"
    >
      <p class="max-w-[70ch] grow basis-96">{{ says() }}</p>
      <div class="flex flex-wrap gap-2" role="group" aria-label="Show me how">
        @for (tour of tours; track tour.id) {
          <button type="button" class="plain" (click)="begin(tour)">{{ guide.nameOf(tour) }}</button>
        }
        <button type="button" class="plain" (click)="closed.emit()">
          Close <span class="key">Esc</span>
        </button>
      </div>
    </aside>
  `,
  host: { class: 'contents' },
})
export class HelpPanel {
  protected readonly guide = inject(TourGuide);
  protected readonly tours = TOURS;

  readonly url = input.required<string>();
  readonly closed = output();
  protected readonly says = computed(() => helpFor(this.url()));

  constructor() {
    useKeys({ Escape: () => this.closed.emit() });
  }

  protected begin(tour: Tour): void {
    this.closed.emit();
    this.guide.begin(tour);
  }
}
