import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { WalkDoubt } from '@yard-spool/core';
import { useKeys } from '../keyboard/keyboard.service';
import { FaultOfRun } from './fault-of-run';
import { CounterStep } from './counter-step';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { readingText } from '../words/counter-words';

const START = { min: 1, max: 1999 };

/** A reading that cannot be, and the questions that settle it, the likeliest first. */
@Component({
  selector: 'ys-counter-doubt',
  imports: [FaultOfRun, QuantityField],
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
        @if (mayHaveBegun()) {
          <form class="grid grid-cols-[1fr_auto] items-end gap-2" (submit)="$event.preventDefault(); began()">
            <ys-quantity-field
              label="Or it began at"
              dimension="count"
              placeholder="12"
              [control]="start"
              [allowed]="startAllowed"
            />
            <button class="plain">Count from there</button>
          </form>
        }
        <button
          type="button"
          class="plain min-h-14! justify-between text-left"
          (click)="step.answer('stands')"
        >
          {{ standsWords() }} <span class="key">0</span>
        </button>
        <button type="button" class="go min-h-18! justify-between" (click)="step.answer('again')">
          Leave this walk out, walk again <span class="key">W</span>
        </button>
        <ys-fault-of-run say="counter" />
      </div>
    }
  `,
  host: { class: 'block' },
})
export class CounterDoubt {
  protected readonly step = inject(CounterStep);
  private readonly quantity = quantityReader();
  protected readonly reading = computed(() =>
    readingText(this.step.doubted()?.read.reading ?? 0, 0.1).replace(/\.0$/, ''),
  );

  protected readonly start = text();
  protected readonly startAllowed = START;
  /** Whether a start at something else than zero is among the doubts. */
  protected readonly mayHaveBegun = computed(
    () => this.step.doubted()?.doubts.some(({ cause }) => cause === 'not-zeroed') ?? false,
  );
  protected readonly standsWords = computed(() => {
    const places = this.step.standingPlaces().map((place) => String(place + 1));
    if (places.length === 0) return 'None of these: it stands as read';
    const walks = places.length === 1 ? `walk ${places.join('')} is` : `walks ${places.join(', ')} are`;
    return `It stands as read, and ${walks} left out`;
  });

  protected began(): void {
    const began = this.quantity(this.start, 'count', START);
    if (began === null) return;
    this.start.setValue('');
    this.step.beganAt(began);
  }

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
