import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup } from '@angular/forms';
import { api, PIECE_KINDS, type Piece } from '@yard-spool/contract';
import { catchError, distinctUntilChanged, map, of, skip, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { LineSwatch } from '../drawing/line-swatch';
import { pieceLook } from '../drawing/piece-look';
import { LoadState } from '../ui/load-state';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { ChangePiece } from './change-piece';
import { CountPiece } from './count-piece';
import { findPieces } from './find-pieces';
import { LetGo } from './let-go';
import { PieceCard, type PieceAction } from './piece-card';
import { PieceLedger } from './piece-ledger';
import { pieceStretches } from './piece-rule';
import { RackTabs } from './rack-tabs';
import { ReceivePiece } from './receive-piece';
import { SoakPiece } from './soak-piece';
import { WaterMark } from './water-mark';
import { WeighPiece } from './weigh-piece';

/** Left of this, px, the piece is not beside the list but below it. */
const COLUMN_FROM = 200;

type Panel = 'receive' | Exclude<PieceAction, 'take-out'>;

/** The rack: every piece as a length rule, and the one looked at with its ledger and what can be done with it. */
@Component({
  selector: 'ys-rack-page',
  imports: [
    ...[ChangePiece, CountPiece, LengthRule, LetGo, LineSwatch, LoadState, PieceCard, PieceLedger],
    ...[RackTabs, ReceivePiece, SelectField, SoakPiece, TextField, WaterMark, WeighPiece],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './rack-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class RackPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  protected readonly filter = new FormGroup({ find: text(), kind: text(), asOf: text() });
  private readonly typed = typedValue(this.filter);
  protected readonly past = computed(() => this.typed().asOf);
  private readonly query = (): { asOf?: string } => (this.past() ? { asOf: this.past() } : {});
  protected readonly pieces = load(() => this.api.call(api.listPieces, { query: this.query() }));
  protected readonly kinds = [
    { value: '', name: 'every kind' },
    ...PIECE_KINDS.map((kind) => ({ value: kind, name: kind })),
  ];
  private readonly one = viewChild.required<ElementRef<HTMLElement>>('one');
  private readonly chosen = signal<string | null>(null);
  protected readonly panel = signal<Panel | null>(null);
  protected readonly takingOut = new Sending();
  protected readonly lookOf = pieceLook;
  protected readonly stretches = pieceStretches;

  protected readonly found = computed(() => findPieces(this.pieces.value() ?? [], this.typed()));
  protected readonly emptyWords = computed(() =>
    this.pieces.value()?.length
      ? 'No piece is like that. Take a word away, or choose every kind.'
      : 'The rack is empty. Receive the first piece of line, and every metre of it is known from then on.',
  );
  /** The piece looked at: the one chosen, else the first. */
  protected readonly shown = computed((): Piece | undefined => {
    const found = this.found();
    return found.find(({ code }) => code === this.chosen()) ?? found[0];
  });
  private readonly read = toSignal(
    toObservable(this.shown).pipe(
      switchMap((piece) =>
        piece
          ? this.api
              .call(api.readPiece, { params: { code: piece.code }, query: this.query() })
              .pipe(catchError(() => of(null)))
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly ledger = computed(() => {
    const read = this.read();
    return read && read.piece.code === this.shown()?.code ? read : null;
  });

  constructor() {
    toObservable(this.typed)
      .pipe(
        map(({ asOf }) => asOf),
        distinctUntilChanged(),
        skip(1),
      )
      .subscribe(() => {
        this.open(null);
        this.pieces.reload();
      });
  }

  protected look(code: string): void {
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
    if (!piece.soaking) return;
    const ask = this.api.call(api.takeOut, { params: { id: piece.soaking.id }, body: {} });
    this.takingOut.send(ask, () => this.pieces.reload());
  }

  /** A form of the panel has done its work: look at the piece as it is now. */
  protected done(piece?: Piece): void {
    if (piece) this.chosen.set(piece.code);
    this.open(null);
    this.pieces.reload();
  }
}
