import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Piece, type Product } from '@yard-spool/contract';
import { counted, isBraid, lineOf, metresFromMass, waterState } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { FormEnd } from '../ui/form-end';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { WaterMark } from './water-mark';

const RANGE = {
  gross: { min: 0, max: 50_000 },
  sampleLength: { min: 1, max: 10_000 },
  sampleGrams: { min: 0.05, max: 50_000 },
} as const;

/** A piece on the scale: metres with their range as they are typed or read; braid is weighed by a sample first. */
@Component({
  selector: 'ys-weigh-piece',
  imports: [FormEnd, QuantityField, ReactiveFormsModule, WaterMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './weigh-piece.html',
})
export class WeighPiece {
  private readonly api = inject(ApiService);
  private readonly quantity = quantityReader();
  protected readonly units = inject(UnitsService);

  readonly piece = input.required<Piece>();
  readonly done = output<Piece>();
  readonly left = output();

  protected readonly range = RANGE;
  protected readonly sending = new Sending();
  protected readonly scale = new Sending();
  protected readonly form = new FormGroup({
    gross: text(),
    tare: text(),
    sampleLength: text(),
    sampleGrams: text(),
  });
  protected readonly controls = this.form.controls;
  protected readonly dry = new FormControl(false, { nonNullable: true });
  private readonly typed = typedValue(this.form);
  /** What was on the scale's own display, to tell a reading from a typed figure. */
  private readonly read = signal<string | null>(null);
  private readonly learned = signal<Product['mass']>(null);
  private readonly mass = computed(() => this.learned() ?? this.piece().product.mass);

  constructor() {
    effect(() => {
      const { tareG } = this.piece();
      if (tareG !== null && this.controls.tare.value === '')
        this.controls.tare.setValue(`${String(tareG)} g`);
    });
  }

  protected readonly wet = computed(() => waterState(this.piece()) !== 'dry');
  protected readonly learns = computed(() => isBraid(this.piece().product.material) && this.mass() === null);
  protected readonly metres = computed(() => {
    this.typed();
    const gross = this.quantity(this.controls.gross, 'mass', RANGE.gross);
    const tare = this.quantity(this.controls.tare, 'mass', RANGE.gross);
    if (gross === null || tare === null) return null;
    const line = lineOf(this.piece().product);
    const found = metresFromMass(line, { gross, tare }, this.mass() ?? undefined);
    return found.ok ? found.value : null;
  });
  /** What the books say is as likely as what the scale says. */
  protected readonly agrees = computed(() => {
    const found = this.metres();
    const books = this.piece().lengthMm / 1000;
    return found !== null && books >= found.low && books <= found.high;
  });
  protected readonly tooMuch = computed(
    () => (this.metres()?.low ?? 0) * 1000 > 1.1 * this.piece().receivedMm,
  );
  protected readonly basis = computed(() => {
    const mass = this.mass();
    return mass
      ? `By ${(1000 * mass.gramsPerMetre).toFixed(1)} g a kilometre, weighed ${mass.samples === 1 ? 'once' : counted(mass.samples, 'time')}.`
      : 'By its nominal diameter and the usual density.';
  });
  protected readonly missing = computed(() => {
    this.typed();
    if (this.controls.gross.value.trim() === '') return 'Read the scale, or type what it shows.';
    if (this.controls.tare.value.trim() === '') return 'Type what the empty spool weighs.';
    return '';
  });
  protected readonly sampleMissing = computed(() => {
    this.typed();
    const both = [
      this.quantity(this.controls.sampleLength, 'line-length', RANGE.sampleLength),
      this.quantity(this.controls.sampleGrams, 'mass', RANGE.sampleGrams),
    ];
    return both.includes(null) ? 'Type a measured length and its weight.' : '';
  });

  protected readScale(): void {
    this.scale.send(this.api.call(api.readScale), ({ grams }) => {
      const shown = `${grams.toFixed(1)} g`;
      this.controls.gross.setValue(shown);
      this.read.set(shown);
    });
  }

  protected weigh(): void {
    if (this.learns()) {
      this.learn();
      return;
    }
    const grossG = this.quantity(this.controls.gross, 'mass', RANGE.gross);
    const tareG = this.quantity(this.controls.tare, 'mass', RANGE.gross);
    if (grossG === null || tareG === null) return;
    const by = this.controls.gross.value === this.read() ? 'scale' : 'typed';
    const body = { grossG, tareG, dry: this.dry.value, by } as const;
    const { code } = this.piece();
    this.sending.send(this.api.call(api.weighPiece, { params: { code }, body }), (piece) =>
      this.done.emit(piece),
    );
  }

  private learn(): void {
    const metres = this.quantity(this.controls.sampleLength, 'line-length', RANGE.sampleLength);
    const grams = this.quantity(this.controls.sampleGrams, 'mass', RANGE.sampleGrams);
    if (metres === null || grams === null) return;
    const { id } = this.piece().product;
    const body = { lengthMm: Math.round(metres * 1000), grams };
    this.sending.send(this.api.call(api.learnMass, { params: { id }, body }), ({ mass }) =>
      this.learned.set(mass),
    );
  }
}
