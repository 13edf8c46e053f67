import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { BenchMind } from './bench-mind';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

const LENGTH = { min: 1, max: 5000 };

/** A change of mind at the bench: another piece, another length, put aside, or given up. */
@Component({
  selector: 'ys-mind-panel',
  imports: [Choice, QuantityField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './mind-panel.html',
  host: { class: 'grid gap-3' },
})
export class MindPanel {
  private readonly api = inject(ApiService);
  private readonly quantity = quantityReader();
  private readonly store = inject(RunStore);
  protected readonly bench = inject(BenchView);
  protected readonly mind = inject(BenchMind);
  protected readonly units = inject(UnitsService);

  readonly left = output();

  private readonly rack = load(() => this.api.call(api.listPieces));
  protected readonly length = text();
  protected readonly allowed = LENGTH;
  protected readonly ranOut = signal(false);
  protected readonly stripped = signal(false);
  protected readonly ending = new FormGroup({ why: text(), line: text('back') });
  private readonly ended = typedValue(this.ending);
  protected readonly places = [
    { value: 'back', name: 'Back on its piece' },
    { value: 'salvage', name: 'Salvage' },
    { value: 'bin', name: 'Recycling' },
  ];
  protected readonly noReason = computed(() => this.ended().why.trim() === '');

  /** Pieces of the line that is wound, but for the one that is mounted. */
  protected readonly others = computed((): readonly Piece[] => {
    const [line, mounted] = [this.bench.lineWound(), this.bench.mounted()];
    if (!line || this.bench.supply()?.own) return [];
    return (this.rack.value() ?? []).filter(
      ({ product, id, broughtWith }) =>
        product.code === line.key && id !== mounted?.pieceId && broughtWith === null,
    );
  });

  protected free({ lengthMm, promisedMm }: Piece): string {
    return this.units.length(Math.max(0, lengthMm - promisedMm) / 1000);
  }

  protected take({ id, code }: Piece): void {
    this.mind.takePiece({ pieceId: id, code, usedUp: this.ranOut() && !this.stripped() }, this.stripped());
    this.left.emit();
  }

  protected setLength(): void {
    const metres = this.quantity(this.length, 'line-length', LENGTH);
    if (metres === null) return;
    this.mind.anotherLength(metres);
    this.left.emit();
  }

  protected putAside(): void {
    void this.mind.putAside(this.ended().why);
  }

  protected giveUp(): void {
    if (this.noReason()) return;
    const { why, line } = this.ended();
    this.mind.giveUp(why, this.places.find(({ value }) => value === line)?.value ?? 'back');
  }

  protected readonly winding = computed(() => this.store.shown()?.current?.kind === 'wind');
}
