import { DOCUMENT } from '@angular/common';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { Keyboard, useKeys } from '../keyboard/keyboard.service';
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
      <dl class="flex w-full flex-wrap gap-x-5 gap-y-1 text-[14px]" data-test="screen-keys">
        @for (key of keys; track key[0]) {
          <div class="flex items-baseline gap-1.5">
            <dt class="key">{{ key[0] }}</dt>
            <dd>{{ key[1] }}</dd>
          </div>
        }
      </dl>
      <div class="flex flex-wrap gap-2" role="group" aria-label="Show me how">
        @for (tour of tours; track tour.id) {
          <button type="button" class="plain" (click)="begin(tour)">{{ guide.nameOf(tour) }}</button>
        }
        <button #close type="button" class="plain" (click)="closed.emit()">
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

  /** As they are when it opens: no key of its own is among them. */
  protected readonly keys = inject(Keyboard).listed();
  private readonly close = viewChild.required<ElementRef<HTMLElement>>('close');

  constructor() {
    const document = inject(DOCUMENT);
    const before = document.activeElement;
    afterNextRender(() => this.close().nativeElement.focus());
    inject(DestroyRef).onDestroy(() => {
      if (before instanceof HTMLElement) before.focus();
    });
    useKeys({ Escape: () => this.closed.emit() });
  }

  protected begin(tour: Tour): void {
    this.closed.emit();
    this.guide.begin(tour);
  }
}
