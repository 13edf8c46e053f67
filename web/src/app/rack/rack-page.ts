import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { BreakpointObserver } from '@angular/cdk/layout';
import { ScrollingModule } from '@angular/cdk/scrolling';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup } from '@angular/forms';
import { api, PIECE_KINDS, type Piece } from '@yard-spool/contract';
import { catchError, debounceTime, map, merge, of, Subject, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { Undo } from '../ui/undo.service';
import { outOfTub } from './out-of-tub';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { LineSwatch } from '../drawing/line-swatch';
import { pieceStyle } from '../drawing/piece-style';
import { dayText } from '../ui/day-text';
import { LoadState } from '../ui/load-state';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { UNREAD } from '../ui/read-when';
import { typedValue } from '../ui/typed-value';
import { WhenField } from '../ui/when-field';
import { ChangePiece } from './change-piece';
import { CountPiece } from './count-piece';
import { LetGo } from './let-go';
import { PieceCard, type PieceAction } from './piece-card';
import { PieceLedger } from './piece-ledger';
import { pieceStretches } from './piece-rule';
import { RackTabs } from './rack-tabs';
import { ReceivePiece } from './receive-piece';
import { MakerPanel } from './maker-panel';
import { SoakPiece } from './soak-piece';
import { WaterMark } from './water-mark';
import { WeighPiece } from './weigh-piece';

/** Left of this, px, the piece is not beside the list but below it. */
const COLUMN_FROM = 200;

/** Height of a row, px; on a narrow screen the rule goes below the words. */
const ROW = { wide: 62, narrow: 96 } as const;
/** Rows before the end of what is here at which more is asked for. */
const AHEAD = 30;
/** How long the typing rests before the rack is asked, ms. */
const RESTS = 120;

type Panel = 'receive' | Exclude<PieceAction, 'take-out'>;

/** The rack: every piece as a length rule, and the one looked at with its ledger and what can be done with it. */
@Component({
  selector: 'ys-rack-page',
  imports: [
    ChangePiece,
    CountPiece,
    LengthRule,
    LetGo,
    LineSwatch,
    LoadState,
    PieceCard,
    PieceLedger,
    RackTabs,
    ReceivePiece,
    ScrollingModule,
    SelectField,
    MakerPanel,
    SoakPiece,
    TextField,
    WaterMark,
    WeighPiece,
    WhenField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './rack-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class RackPage {
  private readonly api = inject(ApiService);
  private readonly undo = inject(Undo);
  protected readonly units = inject(UnitsService);

  /** Said where a new shop's first steps lead here: the form for a piece is open then. */
  readonly receive = input<string>();
  protected readonly filter = new FormGroup({ find: text(), kind: text(), asOf: text() });
  private readonly typed = typedValue(this.filter);
  protected readonly past = computed(() => {
    const day = this.typed().asOf;
    return day.startsWith(UNREAD) ? '' : day;
  });
  private readonly asOf = (): { asOf?: string } => (this.past() ? { asOf: this.past() } : {});
  protected readonly pieces = pages<Piece>((after) => {
    const { find, kind } = this.typed();
    return this.api.call(api.listRack, { query: { find, kind, after, ...this.asOf() } });
  });
  /** The rows as the list takes them. */
  protected readonly rows = computed(() => [...this.pieces.rows()]);
  protected readonly codeOf = (_: number, { code }: Piece): string => code;
  private readonly narrow = toSignal(
    inject(BreakpointObserver)
      .observe('(max-width: 767.98px)')
      .pipe(map(({ matches }) => matches)),
    { initialValue: false },
  );
  protected readonly row = computed(() => (this.narrow() ? ROW.narrow : ROW.wide));
  protected readonly kinds = [
    { value: '', name: 'every kind' },
    ...PIECE_KINDS.map((kind) => ({ value: kind, name: kind })),
  ];
  private readonly one = viewChild.required<ElementRef<HTMLElement>>('one');
  private readonly chosen = signal<string | null>(null);
  /** The piece looked at is read again. */
  private readonly again = new Subject<void>();
  protected readonly panel = signal<Panel | null>(null);
  protected readonly takingOut = new Sending();
  protected readonly styleOf = pieceStyle;
  protected readonly dayText = dayText;
  protected readonly stretches = pieceStretches;

  protected readonly emptyWords = computed(() =>
    this.typed().find || this.typed().kind
      ? 'No piece is like that. Take a word away, or choose every kind.'
      : 'The rack is empty. Receive the first piece of line, and every metre of it is known from then on.',
  );
  private readonly code = computed(() => this.chosen() ?? this.rows()[0]?.code ?? null);
  private readonly read = toSignal(
    merge(toObservable(this.code), this.again.pipe(map(() => this.code()))).pipe(
      switchMap((code) =>
        code === null
          ? of(null)
          : this.api
              .call(api.readPiece, { params: { code }, query: this.asOf() })
              .pipe(catchError(() => of(null))),
      ),
    ),
    { initialValue: null },
  );
  protected readonly ledger = computed(() => {
    const read = this.read();
    return read?.piece.code === this.code() ? read : null;
  });
  /** The piece looked at: the one chosen, else the first. */
  protected readonly shown = computed(
    (): Piece | undefined => this.rows().find(({ code }) => code === this.code()) ?? this.ledger()?.piece,
  );

  constructor() {
    this.undo.whenUndone(() => this.reload());
    toObservable(this.typed)
      .pipe(debounceTime(RESTS), takeUntilDestroyed())
      .subscribe(() => this.pieces.reload());
    effect(() => {
      this.past();
      untracked(() => {
        this.open(null);
        this.again.next();
      });
    });
    effect(() => {
      if (this.receive() !== undefined) untracked(() => this.open('receive'));
    });
  }

  /** Asks for more before the end of what is here is reached. */
  protected scrolled(first: number): void {
    if (first + AHEAD > this.rows().length) this.pieces.next();
  }

  protected choose(code: string): void {
    this.chosen.set(code);
    this.open(null);
    // In one column the piece stands below the whole list: bring it into sight.
    const piece = this.one().nativeElement;
    if (piece.offsetLeft < COLUMN_FROM) piece.scrollIntoView({ block: 'start' });
  }

  protected open(panel: Panel | null): void {
    this.panel.set(panel);
  }

  protected act(action: PieceAction, piece: Piece): void {
    if (action !== 'take-out') {
      this.chosen.set(piece.code);
      this.open(action);
      return;
    }
    const { soaking } = piece;
    if (!soaking) return;
    const ask = this.api.call(api.takeOut, { params: { id: soaking.id }, body: {} });
    this.takingOut.send(ask, ({ name }) => {
      this.reload();
      this.undo.tell(outOfTub(this.api, soaking.id, piece.code, name));
    });
  }

  /** A form of the panel has done its work: look at the piece as it is now. */
  protected done(piece?: Piece): void {
    if (piece) this.chosen.set(piece.code);
    this.open(null);
    this.reload();
  }

  protected reload(): void {
    this.pieces.reload();
    this.again.next();
  }
}
