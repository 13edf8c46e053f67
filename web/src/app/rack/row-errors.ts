import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { RowError } from '@yard-spool/contract';

/** What is wrong with a file that is imported, row by row. */
@Component({
  selector: 'ys-row-errors',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="w-full text-[14px]">
      <caption class="px-4 py-2.5 text-left font-bold">
        {{
          caption()
        }}
      </caption>
      <tbody>
        @for (error of errors(); track $index) {
          <tr class="border-t border-line align-top">
            <th scope="row" class="w-24 px-4 py-2 text-left whitespace-nowrap">
              {{ error.row ? 'Row ' + error.row : whole() }}
            </th>
            <td class="px-2 py-2">{{ error.column }}</td>
            <td class="px-4 py-2">{{ error.message }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: {
    class: 'card block overflow-y-auto',
    role: 'region',
    tabindex: '0',
    '[attr.aria-label]': 'caption()',
  },
})
export class RowErrors {
  readonly errors = input.required<readonly RowError[]>();
  readonly caption = input.required<string>();
  /** What is said in place of a row where the whole file is meant. */
  readonly whole = input.required<string>();
}
