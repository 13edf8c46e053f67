import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { CounterUnit, TableRow } from '@yard-spool/core';

/** True lengths beside what the counter shows: what hangs on the reel. */
@Component({
  selector: 'ys-counter-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="w-full text-[16px]" data-test="counter-table">
      <thead class="text-[13px] text-mute">
        <tr class="border-b border-line">
          <th class="px-3 py-1.5 text-left">True length, {{ unit() }}</th>
          <th class="px-3 py-1.5 text-right">Counter shows</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.length) {
          <tr class="border-b border-line last:border-0" [class.font-bold]="row.length === match()">
            <td class="px-3 py-1.5">
              {{ whole(row.length) }}
              @if (row.pastJoin) {
                <span class="pl-1 text-[13px] text-mute">past the join</span>
              }
            </td>
            <td class="px-3 py-1.5 text-right">
              <b>{{ row.reading.value.toFixed(0) }}</b>
              @if (row.reading.high - row.reading.low >= 1) {
                <span class="pl-1.5 text-[13px] text-mute"
                  >{{ row.reading.low.toFixed(0) }} to {{ row.reading.high.toFixed(0) }}</span
                >
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: { class: 'card block' },
})
export class CounterTable {
  readonly rows = input.required<readonly TableRow[]>();
  readonly unit = input.required<CounterUnit>();
  /** The length it is matched at, in its unit. */
  readonly match = input<number>();

  protected readonly whole = (length: number): string => String(Math.round(length * 10) / 10);
}
