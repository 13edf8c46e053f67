import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { api, type Piece } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { catchError, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { LineSwatch } from '../drawing/line-swatch';
import { pieceLook } from '../drawing/piece-look';
import { LoadState } from '../ui/load-state';
import { pieceStretches } from './piece-rule';
import { ReceivePiece } from './receive-piece';

const MOVE_WORDS = { received: 'taken on', filled: 'on to a reel', tail: 'tail', found: 'found' } as const;

/** The rack: every piece as a length rule, and the ledger of the one looked at. */
@Component({
  selector: 'ys-rack-page',
  imports: [LengthRule, LineSwatch, LoadState, ReceivePiece],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './rack-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class RackPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  protected readonly pieces = load(() => this.api.call(api.listPieces));
  protected readonly chosen = signal<string | null>(null);
  protected readonly receiving = signal(false);
  protected readonly words = MOVE_WORDS;
  protected readonly look = pieceLook;
  protected readonly stretches = pieceStretches;

  /** The piece looked at: the one chosen, else the first. */
  protected readonly shown = computed((): Piece | undefined => {
    const pieces = this.pieces.value() ?? [];
    return pieces.find(({ code }) => code === this.chosen()) ?? pieces[0];
  });
  private readonly shownCode = computed(() => this.shown()?.code ?? '');
  private readonly ledgerOf = toSignal(
    toObservable(this.shown).pipe(
      switchMap((piece) =>
        piece
          ? this.api.call(api.readPiece, { params: { code: piece.code } }).pipe(catchError(() => of(null)))
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  /** Ledger of the piece shown, newest first, with what was on it after each move. */
  protected readonly ledger = computed(() => {
    const read = this.ledgerOf();
    if (read?.piece.code !== this.shownCode()) return [];
    let sum = 0;
    return read.moves.map((move) => ({ ...move, after: (sum += move.lengthMm) })).reverse();
  });
  protected readonly day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL H:mm');
  protected readonly signed = (mm: number): string =>
    `${mm > 0 ? '+' : '−'}${this.units.length(Math.abs(mm) / 1000)}`;

  protected received(piece: Piece): void {
    this.receiving.set(false);
    this.chosen.set(piece.code);
    this.pieces.reload();
  }
}
