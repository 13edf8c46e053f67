import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Move } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { UnitsService } from '../data/units.service';

const WORDS: Readonly<Record<Move['kind'], string>> = {
  received: 'Taken on',
  filled: 'On to a reel',
  tail: 'Tail',
  found: 'Found',
  counted: 'Counted',
  weighed: 'Weighed',
  recycled: 'Recycled',
  'taken-back': 'given back',
  'written-off': 'Written off',
};

/** A piece's ledger, newest first, with what was on it after each move. */
@Component({
  selector: 'ys-piece-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="w-full text-[14px]">
      <caption class="px-4 py-2.5 text-left font-bold">
        Ledger
      </caption>
      <thead class="text-mute">
        <tr class="border-y border-line">
          <th scope="col" class="px-4 py-1.5 text-left">When and why</th>
          <th scope="col" class="px-2 py-1.5 text-right">Moved</th>
          <th scope="col" class="px-4 py-1.5 text-right">Then on it</th>
        </tr>
      </thead>
      <tbody>
        @for (move of lines(); track move.id) {
          <tr class="border-b border-line align-top last:border-0">
            <td class="px-4 py-2">
              <b>{{ words[move.kind] }}</b> {{ move.why }}<br /><span class="text-mute"
                >{{ day(move.at) }}, {{ move.by }}</span
              >
            </td>
            <td class="px-2 py-2 text-right font-bold whitespace-nowrap">{{ signed(move.lengthMm) }}</td>
            <td class="px-4 py-2 text-right whitespace-nowrap">{{ units.length(move.after / 1000) }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: {
    class: 'card block min-h-0 overflow-y-auto',
    role: 'region',
    'aria-label': 'Ledger of the piece',
    tabindex: '0',
  },
})
export class PieceLedger {
  protected readonly units = inject(UnitsService);
  readonly moves = input.required<readonly Move[]>();
  protected readonly words = WORDS;
  protected readonly lines = computed(() => {
    let sum = 0;
    return this.moves()
      .map((move) => ({ ...move, after: (sum += move.lengthMm) }))
      .reverse();
  });
  protected readonly day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy H:mm');
  protected readonly signed = (mm: number): string =>
    `${mm > 0 ? '+' : '−'}${this.units.length(Math.abs(mm) / 1000)}`;
}
