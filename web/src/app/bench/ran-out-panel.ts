import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { InView } from '../ui/in-view';
import { BenchExit } from './bench-exit';
import { BenchView } from './bench-view';
import { OtherPieces, type NextPiece } from './other-pieces.service';
import { RunStore } from './run-store';

/** Books and counts that differ by no more than this agree: a share of the piece, and metres. From memory. */
const AGREES = { share: 0.03, metres: 2 } as const;
/** Pieces that are offered by a key of their own. */
const OFFERED = 3;

interface Answer {
  readonly words: string;
  readonly beside?: string;
  readonly act: () => void;
}

/** The supply ran out: whose metres are missing, and what the layer goes on with. */
@Component({
  selector: 'ys-ran-out-panel',
  hostDirectives: [InView],
  providers: [OtherPieces],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="ran-out">
      <b class="text-[19px]">The supply ran out</b>
      @if (missing(); as lack) {
        <p data-test="lacking">{{ lackWords() }}</p>
      } @else {
        <p>{{ joinWords() }}</p>
      }
      @for (answer of answers(); track answer.words; let i = $index) {
        <button
          type="button"
          class="plain min-h-14! justify-between! text-left text-[16px]"
          (click)="answer.act()"
        >
          <span
            >{{ answer.words }}
            @if (answer.beside) {
              <span class="block text-[14px] font-normal text-mute">{{ answer.beside }}</span>
            }
          </span>
          <span class="key">{{ i + 1 }}</span>
        </button>
      }
      <button type="button" class="plain" (click)="left.emit()">Cancel <span class="key">Esc</span></button>
    </div>
  `,
  host: { class: 'block' },
})
export class RanOutPanel {
  private readonly store = inject(RunStore);
  private readonly exit = inject(BenchExit);
  private readonly bench = inject(BenchView);
  private readonly pieces = inject(OtherPieces);
  private readonly units = inject(UnitsService);

  /** It was said what comes next, or nothing ran out. */
  readonly left = output();
  /** The layer ends here. */
  readonly finished = output();

  /** Metres by which the books had more (or less) than was counted off the piece; null where they agree or it was said. */
  protected readonly missing = computed(() => {
    const held = this.pieces.held();
    const given = this.pieces.given();
    const layer = this.bench.current()?.layer ?? '';
    if (held === null || this.bench.wasUsedUp()) return null;
    const said = this.bench
      .state()
      ?.settlings.some(({ cause, about }) => cause === 'piece' && about === layer);
    const lack = held - given;
    // A count on a spool nobody has measured is no surer than the turns it was told to come to.
    const agrees = Math.max(AGREES.metres, Math.max(AGREES.share, this.countDoubt()) * held);
    return said || Math.abs(lack) <= agrees ? null : lack;
  });
  /** How far the count may be off, as a share. */
  private readonly countDoubt = computed(() => {
    const turns = this.bench.winding()?.planned.handleTurns;
    return turns && turns.value > 0 ? (turns.high - turns.low) / 2 / turns.value : 0;
  });
  private readonly code = computed(() => this.bench.mounted()?.code ?? 'The piece');
  protected readonly lackWords = computed(() => {
    const held = this.pieces.held() ?? 0;
    const given = this.pieces.given();
    const off = this.units.length(Math.abs(held - given));
    return `${this.code()} held ${this.units.length(held)} by the books, and ${this.units.length(given)} of it ${given < held ? 'is on by the count: ' + off + ' are missing' : 'were counted: ' + off + ' too many'}. Which is right?`;
  });
  protected readonly joinWords = computed(() => {
    const above = this.units.length(this.pieces.above());
    if (!this.pieces.inTheCast()) return `${above} still to go: a join here lies ${above} below the top.`;
    return `${above} still to go: a join here lies ${above} below the top, so it runs through the rings on a long cast.`;
  });
  protected readonly answers = computed((): readonly Answer[] =>
    this.missing() === null ? this.next() : this.whose(),
  );

  constructor() {
    useKeys((key) => this.answers()[Number(key) - 1]?.act);
  }

  private whose(): readonly Answer[] {
    const layer = this.bench.current()?.layer ?? '';
    const lack = this.missing() ?? 0;
    const held = this.units.length(this.pieces.held() ?? 0);
    return [
      {
        words: `The count: the piece was ${lack > 0 ? 'shorter' : 'longer'} than the books`,
        act: () => void this.store.happen({ kind: 'settled', payload: { cause: 'piece', about: layer } }),
      },
      {
        words: `The books: all ${held} of it are on`,
        beside: 'the count is put right by as much',
        act: () => void this.store.happen({ kind: 'metres', payload: { layer, metres: lack } }),
      },
    ];
  }

  private next(): readonly Answer[] {
    const offered = this.pieces.next().slice(0, OFFERED);
    return [
      ...offered.map((one) => ({
        words: `Join ${one.piece.code} to it and go on`,
        beside: this.nextWords(one),
        act: () => {
          this.exit.goOnWith({ pieceId: one.piece.id, code: one.piece.code, usedUp: true });
          this.left.emit();
        },
      })),
      {
        words: 'Finish the layer here',
        ...(offered.length === 0 ? { beside: this.noneWords() } : {}),
        act: () => {
          this.finished.emit();
        },
      },
    ];
  }

  private noneWords(): string {
    return this.pieces.here()
      ? 'there is no other piece of this line on the rack'
      : 'what else is on the rack is not known yet';
  }

  private nextWords({ piece, free, short, asBooked }: NextPiece): string {
    const lot = piece.lot === '' ? '' : `, lot ${piece.lot}`;
    const kind = piece.kind === 'salvage' ? ', salvage' : '';
    const enough = short > 0 ? `${this.units.length(short)} too few` : 'enough';
    const booked = asBooked ? 'as it is booked, ' : '';
    return `${booked}${this.units.length(free)} free${kind}${lot}: ${enough}`;
  }
}
