import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { DemoService } from '../data/demo.service';
import { pathOf } from './path-of';
import { TourGuide } from './tour-guide.service';

/** The step of a tour that is to be done now, above the screen it is done on. */
@Component({
  selector: 'ys-tour-strip',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (guide.tour(); as tour) {
      <aside
        class="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b-3 border-join bg-card px-5 py-1.5 max-md:px-3 print:hidden"
        [attr.aria-label]="guide.name()"
      >
        <p class="min-w-0 grow basis-96" role="status" data-test="tour-step">
          @if (guide.step(); as step) {
            <b class="text-join">{{ guide.name() }}, {{ guide.at() + 1 }} of {{ tour.steps.length }}.</b>
            {{ step.say }}
            @if (step.demo && demo.isDemo()) {
              <span class="font-bold">{{ step.demo }}</span>
            }
          } @else {
            <b class="text-pass">{{ guide.name() }}: done{{ guide.skipped().length ? '' : '.' }}</b
            >{{ skippedWords() }} {{ tour.end }}
          }
        </p>
        @if (guide.step(); as step) {
          @if (!here()) {
            <a class="plain" [routerLink]="step.way">Go there</a>
          }
          @if (step.turns && demo.counterPanel()) {
            <a class="plain" target="_blank" rel="noopener" [href]="demo.counterPanel()"
              >Open the simulated counter</a
            >
          }
          <button type="button" class="plain" (click)="guide.skip()">Skip this step</button>
        }
        @if (guide.at() > 0) {
          <button type="button" class="plain" (click)="guide.back()">Step back</button>
        }
        <button type="button" class="plain" (click)="guide.leave()">
          {{ guide.step() ? 'End the tour' : 'Close' }}
        </button>
      </aside>
    }
  `,
  host: { class: 'contents' },
})
export class TourStrip {
  protected readonly guide = inject(TourGuide);
  protected readonly demo = inject(DemoService);

  /** Steps that were passed over are told as that. */
  protected readonly skippedWords = computed(() => {
    const skipped = this.guide.skipped().map((at) => String(at + 1));
    if (skipped.length === 0) return '';
    return skipped.length === 1
      ? `, step ${skipped.join('')} skipped.`
      : `, steps ${skipped.join(', ')} skipped.`;
  });

  /** The address of the screen below. */
  readonly url = input.required<string>();

  protected readonly here = computed(() => this.guide.step()?.at.test(pathOf(this.url())) ?? true);
}
