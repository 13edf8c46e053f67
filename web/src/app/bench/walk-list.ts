import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { metresPer } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { CounterStep } from './counter-step';
import { markText, movedText, readingText } from '../words/counter-words';

/** The walks of a counter: mark, what was expected, what was read, and the line moved before it. */
/** A reading as the counter showed it, and what it began at where that was not zero. */
const asRead = (reading: number, began: number | undefined, step: number): string =>
  `${readingText(reading, step)}${began === undefined ? '' : ` from ${readingText(began, step)}`}`;

@Component({
  selector: 'ys-walk-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="w-full text-[15px]" data-test="walks">
      <thead class="text-[13px] text-mute">
        <tr class="border-b border-line">
          <th class="px-3 py-1.5 text-left">Walk</th>
          <th class="px-2 py-1.5 text-right">Expected</th>
          <th class="px-2 py-1.5 text-right">Read</th>
          <th class="px-3 py-1.5 text-right">Line moved</th>
        </tr>
      </thead>
      <tbody>
        @for (walk of rows(); track $index) {
          <tr class="border-b border-line last:border-0" [class.text-mute]="walk.left">
            <td class="px-3 py-1.5">{{ $index + 1 }}, {{ walk.mark }}</td>
            <td class="px-2 py-1.5 text-right">{{ walk.expected }}</td>
            <td class="px-2 py-1.5 text-right font-bold" [class.line-through]="walk.left">{{ walk.read }}</td>
            <td class="px-3 py-1.5 text-right whitespace-nowrap">{{ walk.moved }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: { class: 'card block' },
})
export class WalkList {
  private readonly step = inject(CounterStep);
  private readonly units = inject(UnitsService);

  protected readonly rows = computed(() => {
    const moved = this.step.movedAt();
    return this.step.walks().map(({ tape, unit, reading, typed, began, step, expected, left = false }, i) => {
      const by = (moved[i] ?? 0) - (moved[i - 1] ?? moved[i] ?? 0);
      const sign = by > 0 ? '+' : '\u2212';
      return {
        left,
        mark: markText(tape, unit),
        read: asRead(typed ?? reading, began, step),
        expected: expected === undefined ? '' : readingText(expected, metresPer(unit) < 0.5 ? 1 : 0.1),
        moved: Math.abs(by) < 0.05 ? '' : `${sign}${movedText(by, this.units.system())}`,
      };
    });
  });
}
