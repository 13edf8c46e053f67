import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { WalkDoubt } from '@yard-spool/core';
import { useKeys } from '../keyboard/keyboard.service';
import { CounterStep } from './counter-step';
import { readingText } from './counter-words';

/** A reading that cannot be, and the questions that settle it, the likeliest first. */
@Component({
  selector: 'ys-counter-doubt',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (step.doubted(); as asked) {
      <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="counter-doubt">
        <b class="text-[20px]">{{ reading() }} is not what was expected here</b>
        @for (doubt of asked.doubts; track doubt.cause; let i = $index) {
          <button
            type="button"
            class="plain min-h-14! justify-between text-left"
            (click)="step.answer(doubt)"
          >
            {{ doubt.question }} {{ yes(doubt) }} <span class="key">{{ i + 1 }}</span>
          </button>
        }
        <button type="button" class="plain min-h-14! justify-between" (click)="step.answer('stands')">
          None of these: it stands as read <span class="key">0</span>
        </button>
        <button type="button" class="go min-h-18! justify-between" (click)="step.answer('again')">
          Leave it out, walk again <span class="key">W</span>
        </button>
      </div>
    }
  `,
  host: { class: 'block' },
})
export class CounterDoubt {
  protected readonly step = inject(CounterStep);
  protected readonly reading = computed(() =>
    readingText(this.step.doubted()?.read.reading ?? 0, 0.1).replace(/\.0$/, ''),
  );

  constructor() {
    useKeys((key) => this.keyFor(key));
  }

  protected readonly yes = ({ ifYes }: WalkDoubt): string => (ifYes ? 'Yes.' : 'Walk again.');

  private keyFor(key: string): (() => void) | undefined {
    const doubt = this.step.doubted()?.doubts[Number(key) - 1];
    if (doubt) return () => this.step.answer(doubt);
    if (key === '0') return () => this.step.answer('stands');
    return key === 'W' ? () => this.step.answer('again') : undefined;
  }
}
