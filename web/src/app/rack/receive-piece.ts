import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  output,
  signal,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, PIECE_KINDS, type MakerWords, type Pack, type Piece } from '@yard-spool/contract';
import { MATERIALS, parseQuantity, type Dimension } from '@yard-spool/core';
import { catchError, map, of, startWith, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import { Keyboard } from '../keyboard/keyboard.service';
import { FormEnd } from '../ui/form-end';
import { PickField } from '../ui/pick-field';
import { QuantityField } from '../ui/quantity-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { WrapsHelper } from '../ui/wraps-helper';
import { lineOption } from '../words/line-finds';
import { MakerFields } from './maker-fields';
import { makerForm, makerWrong, readMaker } from './maker-form';
import { LastLine } from './last-line';
import { FactsFields } from './facts-fields';
import { factsForm, factsReader } from './piece-facts';

/** What is proposed of a spool before anything is typed. */
type Proposed = Readonly<Record<'code' | 'length' | 'place' | 'kind', string>>;
const EMPTY: Proposed = { code: '', length: '', place: '', kind: 'bulk' };

/** Taking a piece on to the rack: of a line that is known, or of a new one. */
@Component({
  selector: 'ys-receive-piece',
  imports: [FactsFields, FormEnd, MakerFields, PickField, ReactiveFormsModule, QuantityField, WrapsHelper],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './receive-piece.html',
  host: { class: 'card block overflow-y-auto p-4' },
})
export class ReceivePiece {
  private readonly api = inject(ApiService);
  private readonly lastLine = inject(LastLine);
  protected readonly units = inject(UnitsService);

  readonly received = output<Piece>();
  /** A piece with a bar code is on the rack: the next one can be scanned. */
  readonly stored = output<Piece>();
  readonly left = output();

  protected readonly products = load(() => this.api.call(api.listProducts));
  protected readonly lines = computed(() => [
    { value: '', name: 'New line' },
    ...(this.products.value() ?? []).map(lineOption),
  ]);
  protected readonly kinds = PIECE_KINDS;
  protected readonly materials = MATERIALS;
  protected readonly form = new FormGroup({
    productId: text(),
    productCode: text(),
    name: text(),
    material: text('nylon'),
    diameter: text(),
    strength: text(),
    tint: text('#aab7bd'),
    maker: makerForm(),
    code: text(),
    kind: text('bulk'),
    place: text(),
    length: text(),
    fromReel: text(),
    facts: factsForm(),
    packCode: text(),
  });
  private readonly facts = factsReader(this.form.controls.facts);
  protected readonly controls = this.form.controls;
  private readonly typed = toSignal(
    this.form.valueChanges.pipe(
      startWith(null),
      map(() => this.form.getRawValue()),
    ),
    { initialValue: this.form.getRawValue() },
  );
  /** What was proposed for the line that is chosen. */
  private proposed: Proposed = EMPTY;
  protected readonly isNew = computed(() => this.typed().productId === '');
  protected readonly sending = new Sending();
  /** What was found of the bar code, or done last. */
  protected readonly told = signal('');
  protected readonly range = {
    diameter: { min: 0.04, max: 3 },
    strength: { min: 0.1, max: 500 },
    length: { min: 1, max: 100_000 },
  } as const;

  constructor() {
    // Another spool of the line that came last is the likeliest one.
    const { productId } = this.lastLine;
    if (productId !== null) this.controls.productId.setValue(String(productId));
    this.controls.productId.valueChanges
      .pipe(
        startWith(this.controls.productId.value),
        switchMap((id) =>
          id === ''
            ? of(null)
            : this.api.call(api.readNextOf, { params: { id: Number(id) } }).pipe(catchError(() => of(null))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((next) => this.propose(this.controls.packCode.value.trim() === '' ? next : null));
    const free = inject(Keyboard).takeScans((code) => {
      this.controls.packCode.setValue(code);
      this.lookUp();
    });
    inject(DestroyRef).onDestroy(free);
  }

  /** What is still to be typed; empty when the piece can be taken on. */
  protected readonly missing = computed(() => {
    const typed = this.typed();
    if (this.isNew() && typed.name.trim() === '') return 'Name the line, by tint, material and diameter.';
    if (this.isNew() && typed.productCode.trim() === '') return 'Give the line a short code, like SN-30.';
    if (this.isNew() && this.read('diameter', 'small-length') === null) return 'Type the line’s diameter.';
    if (typed.code.trim() === '') return 'Give the piece a short code people can say, like N-207.';
    if (this.read('length', 'line-length') === null) return 'Type how much line is on the piece.';
    return this.facts.wrong() || (this.isNew() ? makerWrong(typed.maker) : '');
  });

  protected receive(): void {
    if (this.missing() !== '') return;
    const typed = this.form.getRawValue();
    const product = this.isNew()
      ? {
          code: typed.productCode,
          name: typed.name,
          material: typed.material as Piece['product']['material'],
          diameter: this.read('diameter', 'small-length') ?? 0,
          strengthKg: this.read('strength', 'strength'),
          tint: typed.tint,
          maker: this.maker(),
        }
      : { id: Number(typed.productId) };
    const lengthMm = Math.round((this.read('length', 'line-length') ?? 0) * 1000);
    const body = {
      code: typed.code,
      product,
      kind: typed.kind as Piece['kind'],
      place: typed.place,
      lengthMm,
      fromReel: typed.kind === 'salvage' && typed.fromReel.trim() ? typed.fromReel : null,
      ...this.facts.read(),
      packCode: typed.packCode.trim() || null,
    };
    this.sending.send(this.api.call(api.receivePiece, { body }), (piece) => {
      this.lastLine.productId = piece.product.id;
      if (body.packCode === null) this.received.emit(piece);
      else this.nextPack(piece);
    });
  }

  /** What another spool of the chosen line would be; nothing that was typed is changed. */
  private propose(next: Pack | null): void {
    for (const field of ['code', 'length', 'place', 'kind'] as const)
      if (this.controls[field].value === this.proposed[field]) this.controls[field].setValue(EMPTY[field]);
    this.proposed = next
      ? {
          code: next.nextCode,
          length: this.units.length(next.lengthMm / 1000),
          place: next.place,
          kind: next.kind,
        }
      : EMPTY;
    for (const field of ['code', 'length', 'place', 'kind'] as const)
      if (this.controls[field].value === EMPTY[field]) this.controls[field].setValue(this.proposed[field]);
  }

  /** What its box says; hours that were typed before the material became one that is not soaked are not sent. */
  private maker(): MakerWords {
    const words = readMaker(this.controls.maker);
    return this.controls.material.value === 'nylon' ? words : { ...words, soakHours: null };
  }

  /** What a bar code stands for fills the form; one that is new here is kept with the piece it is typed for now. */
  protected lookUp(): void {
    const code = this.controls.packCode.value.trim();
    if (code === '') return;
    this.told.set('');
    this.api.call(api.readPack, { params: { code } }).subscribe({
      next: (pack) => {
        this.fill(pack);
        this.told.set(
          `${pack.product.name}, ${this.units.length(pack.lengthMm / 1000)}: Enter puts it on the rack.`,
        );
      },
      error: (error: unknown) => this.told.set(sentenceOf(error)),
    });
  }

  private fill({ product, kind, place, lengthMm, nextCode, ...facts }: Pack): void {
    const productId = String(product.id);
    // What a bar code says goes before what would be proposed.
    this.proposed = EMPTY;
    const length = this.units.length(lengthMm / 1000);
    this.form.patchValue({ productId, kind, place, length, code: nextCode });
    this.controls.facts.reset(factsForm(facts).getRawValue());
    document.getElementById('piece-code')?.focus();
  }

  private nextPack(piece: Piece): void {
    this.stored.emit(piece);
    this.form.patchValue({ packCode: '', code: '' });
    this.told.set(`${piece.code} is on the rack. Scan the next one.`);
    this.products.reload();
    document.getElementById('pack-code')?.focus();
  }

  private read(field: 'diameter' | 'strength' | 'length', dimension: Dimension): number | null {
    const quantity = parseQuantity(this.typed()[field], dimension, this.units.system(), this.range[field]);
    return quantity.ok ? quantity.value.value : null;
  }
}
