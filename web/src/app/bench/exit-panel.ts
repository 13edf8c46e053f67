import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import type { Piece } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { BenchExit } from './bench-exit';
import { BenchView } from './bench-view';
import { FaultOfRun } from './fault-of-run';
import { FindPiece } from './find-piece';
import { asLine, freeOf, OtherPieces } from './other-pieces.service';
import { PIECE_ANSWERS, type PieceAnswer } from './piece-answer';
import { RunStore } from './run-store';

const LENGTH = { min: 1, max: 5000 };
/** Pieces shown at once. */
const SHOWN = 8;
const SAYS: Readonly<Record<PieceAnswer, string>> = {
  here: 'From here on, with a join. Where the one before ran out, use U instead.',
  'all-along': 'The other one was never mounted: all that is on came off this one, and there is no join.',
  stripped: 'What is on goes back on its piece, and the layer begins again with this one.',
};

/** A change of exit at the bench: another piece, another length, put aside, or given up. */
@Component({
  selector: 'ys-exit-panel',
  imports: [Choice, FaultOfRun, FindPiece, QuantityField, TextField],
  providers: [OtherPieces],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './exit-panel.html',
  host: { class: 'grid gap-3' },
})
export class ExitPanel {
  protected readonly pieces = inject(OtherPieces);
  private readonly quantity = quantityReader();
  private readonly store = inject(RunStore);
  protected readonly bench = inject(BenchView);
  protected readonly exit = inject(BenchExit);
  protected readonly units = inject(UnitsService);

  readonly left = output();

  protected readonly length = text();
  protected readonly allowed = LENGTH;
  protected readonly another = new FormGroup({ how: text('here') });
  private readonly asked = typedValue(this.another);
  protected readonly answers = PIECE_ANSWERS;
  protected readonly how = computed(
    () => PIECE_ANSWERS.find(({ value }) => value === this.asked().how)?.value ?? 'here',
  );
  protected readonly says = computed(() => SAYS[this.how()]);
  protected readonly ending = new FormGroup({ why: text(), line: text('back') });
  private readonly ended = typedValue(this.ending);
  protected readonly places = [
    { value: 'back', name: 'Back on its piece' },
    { value: 'salvage', name: 'Salvage' },
    { value: 'bin', name: 'Recycling' },
  ];
  protected readonly noReason = computed(() => this.ended().why.trim() === '');

  /** Pieces of the line that is wound. */
  protected readonly offered = computed(() => this.pieces.ofThisLine().slice(0, SHOWN));

  private isOther({ product }: Piece): boolean {
    return product.code !== this.bench.lineWound()?.key;
  }

  protected free(piece: Piece): string {
    return this.units.length(freeOf(piece));
  }

  protected take(piece: Piece): void {
    const { id: pieceId, code } = piece;
    const taken = { pieceId, code, usedUp: false };
    const line = this.isOther(piece) ? { line: asLine(piece.product) } : {};
    if (this.how() === 'here') this.exit.goOnWith(taken);
    else if (this.how() === 'all-along') this.exit.wasMounted({ ...taken, ...line });
    else this.exit.beginWith({ ...taken, ...line });
    this.left.emit();
  }

  protected stripAll(): void {
    void this.exit.stripForGrip();
    this.left.emit();
  }

  protected setLength(): void {
    const metres = this.quantity(this.length, 'line-length', LENGTH);
    if (metres === null) return;
    this.exit.anotherLength(metres);
    this.left.emit();
  }

  protected putAside(): void {
    void this.exit.putAside(this.ended().why);
  }

  protected giveUp(): void {
    if (this.noReason()) return;
    const { why, line } = this.ended();
    this.exit.giveUp(why, this.places.find(({ value }) => value === line)?.value ?? 'back');
  }

  protected readonly winding = computed(() => this.store.shown()?.current?.kind === 'wind');
}
