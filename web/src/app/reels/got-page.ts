import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type GotRow } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';
import { dayText } from '../ui/day-text';
import { ReelsTabs } from './reels-tabs';

/** Which reels got a line, a lot or a piece, or were filled on a day; and whether it lies there still. */
@Component({
  selector: 'ys-got-page',
  imports: [LoadState, ReelsTabs, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-reels-tabs />
    <h2 class="py-3 text-[18px]">{{ title() }}</h2>
    <ys-load-state what="the reels" [of]="rows.now()" (again)="rows.reload()" />
    @if (rows.now().state === 'ready' && rows.rows().length === 0) {
      <p class="card p-6">No reel got it.</p>
    }
    @if (rows.rows().length > 0) {
      <table class="card w-full text-left" data-test="got">
        <thead>
          <tr class="text-mute">
            <th scope="col" class="px-4 py-2 font-semibold">Reel</th>
            <th scope="col" class="px-2 font-semibold">Customer</th>
            <th scope="col" class="px-2 font-semibold">What it got</th>
            <th scope="col" class="px-2 font-semibold max-md:hidden">Filled</th>
            <th scope="col" class="px-2 font-semibold">Now</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows.rows(); track $index) {
            <tr class="border-t border-line align-top">
              <td class="px-4 py-2">
                <a class="font-bold underline" [routerLink]="['/reels', row.tag]">{{ row.tag }}</a>
                <span class="block text-mute">{{ row.label }}</span>
              </td>
              <td class="px-2 py-2">
                <a class="underline" [routerLink]="['/reels/customer', row.customerId]">{{ row.customer }}</a>
              </td>
              <td class="px-2 py-2">
                {{ units.length(row.lengthMm / 1000) }} of {{ row.name }}, {{ row.role.replace('-', ' ') }}
                <span class="block text-[13px] text-mute"
                  >{{ row.piece ? 'off ' + row.piece : 'off no piece'
                  }}{{ row.lot ? ', lot ' + row.lot : '' }}</span
                >
              </td>
              <td class="px-2 py-2 max-md:hidden">{{ day(row.filledAt) }}</td>
              <td class="px-2 py-2 font-bold" [class.text-mute]="!row.still">
                {{ row.still ? 'still on it' : 'off by now' }}
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
    @if (rows.more()) {
      <button type="button" class="plain mt-2" (click)="rows.next()">Show more</button>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class LineUsedPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  /** From the address: one of them. */
  readonly line = input<string | undefined>('');
  readonly lot = input<string | undefined>('');
  readonly piece = input<string | undefined>('');
  readonly on = input<string | undefined>('');

  private readonly asked = computed(() => ({
    line: this.line() ?? '',
    lot: this.lot() ?? '',
    piece: this.piece() ?? '',
    day: this.on() ?? '',
  }));
  protected readonly rows = pages<GotRow>((after) =>
    this.api.call(api.listGot, { query: { ...this.asked(), after } }),
  );
  protected readonly day = dayText;
  protected readonly title = computed(() => {
    const { line, lot, piece, day } = this.asked();
    if (line) return `Reels that got ${this.rows.rows()[0]?.name ?? line}`;
    if (lot) return `Reels that got lot ${lot}`;
    return piece ? `Reels that got line off ${piece}` : `Filled on ${day ? dayText(day) : 'that day'}`;
  });

  constructor() {
    effect(() => {
      this.asked();
      untracked(() => this.rows.reload());
    });
  }
}
