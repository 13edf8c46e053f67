import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type NewRecycling, type RecyclingBook } from '@yard-spool/contract';
import { STREAMS } from '@yard-spool/core';
import { promisedText } from '../words/promised-text';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { LoadState } from '../ui/load-state';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { RackTabs } from './rack-tabs';

const RANGE = { grams: { min: 0, max: 50_000 }, tubes: { min: 0, max: 500 } } as const;

/** The recycling bins: running totals, what went in, and putting more in. */
@Component({
  selector: 'ys-recycling-page',
  imports: [Choice, LoadState, QuantityField, RackTabs, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './recycling-page.html',
  host: { class: 'block min-h-0 grow' },
})
export class RecyclingPage {
  private readonly api = inject(ApiService);
  protected readonly house = inject(HouseService);
  private readonly quantity = quantityReader();
  protected readonly units = inject(UnitsService);

  protected readonly book = load(() => this.api.call(api.readRecycling));
  private readonly later = signal<RecyclingBook | null>(null);
  protected readonly now = computed(() => this.later() ?? this.book.value());
  protected readonly sending = new Sending();
  protected readonly range = RANGE;
  protected readonly streams = STREAMS.map((stream) => ({ value: stream, name: stream }));
  protected readonly form = new FormGroup({
    stream: text('nylon'),
    grams: text(),
    tubes: text('1'),
    why: text(),
  });
  private readonly typed = typedValue(this.form);
  private readonly read = computed(() => {
    this.typed();
    return {
      grams: this.quantity(this.form.controls.grams, 'mass', RANGE.grams),
      tubes: this.quantity(this.form.controls.tubes, 'count', RANGE.tubes),
    };
  });
  protected readonly missing = computed(() => {
    const { grams, tubes } = this.read();
    if (grams === null) return 'Weigh it, tube and all, less the empty tube.';
    return tubes === null || !Number.isInteger(tubes) ? 'Tubes are whole; 0 where none was filled.' : '';
  });
  protected readonly at = (iso: string): string => promisedText(iso);

  protected recycle(): void {
    const { grams, tubes } = this.read();
    if (this.missing() !== '' || grams === null || tubes === null) return;
    const { stream, why } = this.form.getRawValue();
    const body = { stream: stream as NewRecycling['stream'], grams, tubes, why, piece: null };
    this.sending.send(this.api.call(api.recycle, { body }), (book) => {
      this.later.set(book);
      this.form.controls.grams.reset();
      this.form.controls.why.reset();
    });
  }
}
