import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { api, type Move, type PieceWithLedger } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { Sending } from '../ui/sending';

const WORDS: Readonly<Record<Move['kind'], string>> = {
  received: 'Received',
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
          <th scope="col" class="px-4 py-1.5 text-right">Balance</th>
        </tr>
      </thead>
      <tbody>
        @for (move of lines(); track move.id) {
          <tr class="border-b border-line align-top last:border-0">
            <td class="px-4 py-2">
              <b>{{ words[move.kind] }}</b> {{ units.say(move.why) }}<br /><span class="text-mute"
                >{{ day(move.at) }}, {{ move.by }}</span
              >
            </td>
            <td class="px-2 py-2 text-right font-bold whitespace-nowrap">{{ signed(move.lengthMm) }}</td>
            <td class="px-4 py-2 text-right whitespace-nowrap">{{ units.length(move.after / 1000) }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (moreBefore()) {
      <button type="button" class="plain m-3" [disabled]="sending.busy()" (click)="earlier()">
        Show earlier ones
      </button>
    }
    @if (sending.problem(); as sentence) {
      <p class="look m-3 px-3.5 py-2.5" role="alert">{{ sentence }}</p>
    }
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
  private readonly api = inject(ApiService);
  protected readonly sending = new Sending();
  protected readonly words = WORDS;

  /** The piece with the latest of its ledger. */
  readonly read = input.required<PieceWithLedger>();
  /** As of the end of this day; as of now where it is empty. */
  readonly asOf = input('');

  /** Pages asked for since, earliest first. */
  private readonly before = linkedSignal<PieceWithLedger, PieceWithLedger[]>({
    source: this.read,
    computation: () => [],
  });
  protected readonly moreBefore = computed(() => (this.before()[0] ?? this.read()).earlier);
  protected readonly lines = computed(() => {
    const { piece, moves } = this.read();
    let then = piece.lengthMm;
    return [...this.before().flatMap((page) => page.moves), ...moves].reverse().map((move) => {
      const after = then;
      then -= move.lengthMm;
      return { ...move, after };
    });
  });

  protected earlier(): void {
    const first = this.lines().at(-1);
    if (!first) return;
    const asOf = this.asOf();
    const query = { before: String(first.id), ...(asOf === '' ? {} : { asOf }) };
    const ask = this.api.call(api.readPiece, { params: { code: this.read().piece.code }, query });
    this.sending.send(ask, (page) => this.before.update((pages) => [page, ...pages]));
  }

  protected readonly day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy H:mm');
  protected readonly signed = (mm: number): string =>
    `${mm > 0 ? '+' : '−'}${this.units.length(Math.abs(mm) / 1000)}`;
}
