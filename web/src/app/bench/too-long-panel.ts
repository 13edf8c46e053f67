import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { takenOff, type TooLong, type TooLongChoice } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { amountWords } from './amount-words';
import { RunStore } from './run-store';

/** One way out. */
interface Way {
  readonly how: TooLongChoice;
  readonly words: string;
}

/** The main is too long for what is left: three ways out, each with what it comes to. */
@Component({
  selector: 'ys-too-long-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert">
      <b class="text-[17px]">The main is too long for what is left</b>
      <p>
        All of it ends {{ units.level(long().gap.value) }}, and a gap of {{ units.small(long().wanted) }} is
        wanted.
      </p>
      @for (way of ways(); track way.how) {
        <button type="button" class="plain min-h-18! justify-between! text-left" (click)="choose(way.how)">
          {{ way.words }}
        </button>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class TooLongPanel {
  protected readonly units = inject(UnitsService);
  private readonly store = inject(RunStore);

  readonly long = input.required<TooLong>();

  protected readonly ways = computed((): Way[] => {
    const { takeOff, gap, cutTo } = this.long();
    return [
      ...(takeOff
        ? [
            {
              how: 'take-off' as const,
              words: `Take ${amountWords(takeOff.counted, takeOff.length, this.units)} of ${takeOff.layer} off`,
            },
          ]
        : []),
      {
        how: 'smaller-gap' as const,
        words:
          gap.value < 0
            ? `Accept that it stands ${this.units.level(gap.value)}`
            : `Accept a gap of ${this.units.small(gap.value)}`,
      },
      {
        how: 'cut-short' as const,
        words: `Cut the main short, ${this.units.length(cutTo.value)}`,
      },
    ];
  });

  /** Writes down what was chosen; line taken off is counted back on its layer. */
  protected choose(how: TooLongChoice): void {
    const { layer, gap, cutTo, takeOff } = this.long();
    const what =
      how === 'smaller-gap' ? { gap: gap.value } : how === 'cut-short' ? { length: cutTo.value } : {};
    void this.store.happen({ kind: 'chosen', payload: { layer, how, ...what } }).then(() => {
      if (how !== 'take-off' || !takeOff) return;
      // Whole turns are what a hand takes off; over a meter it is its metres.
      const { counted } = takeOff;
      const amount = counted.unit === 'metres' ? counted.amount : Math.round(counted.amount);
      void this.store.happen(takenOff(takeOff.layer, { ...counted, amount }));
    });
  }
}
