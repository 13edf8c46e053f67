import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Piece, Product, ReelKind } from '@yard-spool/contract';
import {
  parseAmount,
  type PlannedLayer,
  type Print,
  REEL_TRAITS,
  REEL_TYPES,
  USUAL_TAPE,
  usualGear,
} from '@yard-spool/core';
import { startWith, switchMap } from 'rxjs';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { AmountField } from '../ui/amount-field';
import { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select-field';
import { SuggestField, type Suggestion } from '../ui/suggest-field';
import { TextField } from '../ui/text-field';
import { WrapsHelper } from '../ui/wraps-helper';
import { AMOUNT_RANGE } from './draft-fields';
import { FIELD_RANGE } from './quantity-fields';
import { fitsUnlessSaid } from './draft-missing';
import type { DraftPlan } from './draft-plan';
import { isOnIt, SOURCES, type DraftLayer } from './draft-sources';
import { NotTheShops } from './not-the-shops';
import { onRecord, onRecordWords } from './on-record';
import { PieceSelect } from './piece-select';
import { PrintWords } from './print-words';
import { asRows, printsIn, ratedMaterial, ratingProblem, settleRating, withReading } from './rating-text';
import { factsOf } from './reel-from-plan';
import { UNDERNEATH, type reelForm, type Underneath } from './reel-draft';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';

const LETTERS = 2;
/** Prints this near to each other say the same. */
const AGREES = 0.03;

const LINE_SOURCES = [
  { value: SOURCES.own, name: 'Their own line, brought along' },
  { value: SOURCES.turned, name: 'Reverse the line that is on it' },
  { value: SOURCES.stays, name: 'What is on it stays: only its counter' },
  { value: SOURCES.other, name: 'Any other line' },
];

/** What comes in: one reel's facts, what it is to hold, and from which pieces. */
const BACKING = { line: 'Backing line', amount: 'How much backing', field: 'backingLength' } as const;
const BELOW_MAIN = {
  backing: BACKING,
  'main-only': BACKING,
  tape: BACKING,
  grip: { line: 'Nylon for grip', amount: 'How much of it', field: 'gripLength' },
  'three-layer': { line: 'Cushion', amount: 'How much cushion', field: 'cushionLength' },
} as const;

@Component({
  selector: 'ys-reel-entry',
  imports: [
    AmountField,
    Choice,
    NotTheShops,
    PieceSelect,
    PrintWords,
    QuantityField,
    ReactiveFormsModule,
    SelectField,
    SuggestField,
    TextField,
    WrapsHelper,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reel-entry.html',
  host: { class: 'grid grid-cols-1 gap-[5px]' },
})
export class ReelEntry {
  protected readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);
  /** What stands in empty fields, in m and mm. */
  protected readonly usual = { main: 120, kept: 25, tape: USUAL_TAPE, perTurn: 0.7 };

  readonly form = input.required<ReturnType<typeof reelForm>>();
  readonly pieces = input.required<readonly Piece[]>();
  /** Lines the shop knows, on the rack or not. */
  readonly lines = input<readonly Product[]>([]);
  readonly planned = input.required<DraftPlan>();
  /** The shop's reel book. */
  readonly kinds = input<readonly ReelKind[]>([]);
  /** Whether the reel has its tag already and keeps it. */
  readonly tagged = input(false);
  /** Whether it is only asked about: it has no tag then. */
  readonly asking = input(false);
  /** A tag was typed whole. */
  readonly tagTyped = output<string>();

  private readonly reel = viewChild.required(SuggestField);
  private readonly mainLine = viewChild.required<PieceSelect>('mainLine');
  protected readonly range = FIELD_RANGE;
  protected readonly controls = computed(() => this.form().controls);
  private readonly typed = toSignal(
    toObservable(this.form).pipe(switchMap((form) => form.valueChanges.pipe(startWith(form.getRawValue())))),
  );
  /** Stripped line is good for backing only. */
  protected readonly notSalvage = computed(() => this.pieces().filter(({ kind }) => kind !== 'salvage'));
  protected readonly types = Object.entries(REEL_TYPE_NAMES).map(([value, name]) => ({ value, name }));
  protected readonly under = [
    { value: 'backing', name: 'Backing' },
    { value: 'main-only', name: 'Nothing' },
    { value: 'tape', name: 'Tape' },
    { value: 'grip', name: 'Grip' },
    { value: 'three-layer', name: '3 layers' },
  ];
  protected readonly ratedFor = [
    { value: 'nylon', name: 'nylon' },
    { value: 'braid', name: 'braid' },
  ];
  /** Kinds the shop has seen whose name has a word that starts as typed. */
  protected readonly suggestions = computed(() => {
    const typed = (this.typed()?.label ?? '').trim().toLowerCase();
    if (typed.length < LETTERS) return [];
    return this.kinds()
      .filter(({ label }) => ` ${label.toLowerCase()}`.includes(` ${typed}`))
      .slice(0, 6)
      .map(({ id, label, timesSeen }) => ({
        id,
        name: label,
        beside: timesSeen === 1 ? 'seen once' : `seen ${String(timesSeen)} times`,
      }));
  });
  private readonly underneath = computed((): Underneath => {
    const typed = this.typed()?.underneath;
    return UNDERNEATH.find((one) => one === typed) ?? 'backing';
  });
  protected readonly threeLayers = computed(() => this.underneath() === 'three-layer');
  protected readonly hasBacking = computed(() =>
    ['backing', 'grip', 'three-layer'].includes(this.underneath()),
  );
  /** The layer under the main: what it is called, and where its amount is typed. */
  protected readonly belowMain = computed(() => BELOW_MAIN[this.underneath()]);
  protected readonly taped = computed(() => this.underneath() === 'tape');
  protected readonly mainFits = computed(() => this.stays() || fitsUnlessSaid(this.underneath(), 'main'));
  /** Measures that stand in for what is printed. */
  protected readonly measured = computed(() => {
    const { lip, width, arbor } = this.typed() ?? {};
    return [lip, width, arbor].every((one) => one?.trim());
  });
  private readonly type = computed(() => {
    const typed = this.typed()?.type;
    return REEL_TYPES.find((one) => one === typed) ?? 'fixed-spool';
  });
  protected readonly usualGear = computed(() => `${usualGear(this.type()).toFixed(1)}:1`);
  protected readonly amounts = AMOUNT_RANGE;
  /** Only a reel with a counter has one to match. */
  protected readonly mainSources = computed(() =>
    LINE_SOURCES.filter(({ value }) => value !== SOURCES.stays || REEL_TRAITS[this.type()].counter),
  );
  protected readonly backingSources = LINE_SOURCES.filter(({ value }) => !isOnIt(value));
  /** Its line stays on: nothing is wound but what its counter asks for. */
  protected readonly stays = computed(() => this.typed()?.mainPiece === SOURCES.stays);
  private readonly chosen = computed(() => {
    const { mainPiece, backingPiece, topPiece } = this.typed() ?? {};
    return [mainPiece, backingPiece, topPiece];
  });
  protected readonly brings = computed(() => this.chosen().includes(SOURCES.own));
  /** What line that is not the shop's is called above its fields; empty where all is. */
  protected readonly notShops = computed(() => {
    if (this.brings()) return 'The line they brought';
    // Of line that is on record nobody has to say what it is.
    if (this.chosen().some((one) => one !== undefined && isOnIt(one)))
      return this.record() ? '' : 'The line that is on it';
    return this.chosen().includes(SOURCES.other) ? 'The other line' : '';
  });
  protected readonly gapWords = computed(() => {
    const gap = this.planned().gap;
    const aim = this.planned().aim;
    if (aim) return `counter: ${this.units.small(aim.gap)}`;
    return gap ? `shop: ${this.units.small(gap.gap)}` : 'shop default';
  });

  /** What lies on it by the record, and what of that is below its top line. */
  protected readonly record = computed(() => {
    const { lies = '', spool = '' } = this.typed() ?? {};
    const known = onRecord({ lies, spool });
    return known && onRecordWords(known, (metres) => this.units.length(metres));
  });

  /** What lies below the top line stays on, and takes the place of new backing. */
  protected keepBelow(metres: number): void {
    const kept = this.units.length(metres).replace(/\u00a0/g, ' ');
    this.form().patchValue({ kept, underneath: 'main-only' });
  }

  /** Puts the person at the reel's name, where one begins. */
  begin(): void {
    this.reel().focus();
  }

  /** A kind the shop has seen fills in what is known of it, and the eye goes on to the line. */
  protected recognise(id: Suggestion['id']): void {
    const kind = this.kinds().find((one) => one.id === id);
    if (!kind) return;
    const facts = factsOf(
      { observations: [...kind.observations, ...kind.learned], gear: kind.gear },
      this.units.system(),
    );
    this.form().patchValue({ ...facts, type: kind.type });
    this.mainLine().focus();
  }

  /** Big-game reels are built in three layers unless somebody wants otherwise. */
  protected typeChosen(): void {
    const { type, underneath, mainPiece } = this.form().getRawValue();
    if (mainPiece !== '') return;
    if (type === 'big-game') this.form().patchValue({ underneath: 'three-layer' });
    else if (underneath === 'three-layer') this.form().patchValue({ underneath: 'backing' });
  }

  /** What an amount that is no plain length comes to. */
  protected comesTo(layer: DraftLayer, typed: string): string {
    const planned = this.planned().made?.plan.layers.find(({ id }) => id === layer);
    const amount = parseAmount(typed, this.units.system(), AMOUNT_RANGE);
    if (!planned || !amount.ok || amount.value.kind === 'length') return '';
    const { value } = amount;
    const level = value.kind === 'level' ? value.level : null;
    const by = level && 'share' in level ? ` by ${level.of ?? 'depth'}` : '';
    const depth = level ? `${by}, ${this.units.small(planned.depthAfter.value)} deep` : '';
    const least = amount.value.kind === 'least' ? `: a cast and a half${this.costs(layer, planned)}` : '';
    return `${this.units.length(planned.length.value)}${depth}${least}`;
  }

  /** What a layer's line costs, where its piece has a price. */
  private costs(layer: DraftLayer, { length }: PlannedLayer): string {
    const { cuts, sources } = this.planned();
    const piece = cuts[layer]?.piece ?? sources[layer]?.offered[0];
    if (!piece?.priceMinor) return '';
    return `, ${this.house.money((length.value * 1000 * piece.priceMinor) / piece.receivedMm)}`;
  }

  /** Whether the prints agree: each comes to as much line as it says, length times diameter squared. */
  protected ratingsNote(): string {
    const { rating1, rating2 } = this.form().getRawValue();
    const holds = [rating1, rating2].flatMap((text) =>
      this.printsOf(text).map(({ readings: [one] }) => one.length * one.diameter ** 2),
    );
    if (holds.length < 2) return 'as printed';
    const apart = Math.max(...holds) / Math.min(...holds) - 1;
    return apart < AGREES ? 'they agree' : `they differ by ${(100 * apart).toFixed(0)} %`;
  }

  protected settle(control: FormControl<string>): void {
    control.setValue(settleRating(control.value, this.units.system()));
  }

  /** A field of one line takes no rows: a pasted table keeps them as prints, one after another. */
  protected pasted(event: ClipboardEvent, control: FormControl<string>): void {
    const rows = event.clipboardData?.getData('text/plain').trim() ?? '';
    if (!/[\n\r]/.test(rows)) return;
    event.preventDefault();
    control.setValue([control.value.trim(), asRows(rows)].filter(Boolean).join('; '));
  }

  /** What was typed in a rating field, read. */
  protected printsOf(text: string): readonly Print[] {
    return printsIn(text, this.units.system(), ratedMaterial(this.form().controls.ratedFor.value));
  }

  /** Writes a print so that it can only be read as chosen. */
  protected choosePrint(control: FormControl<string>, chosen: Print, reading: string): void {
    control.setValue(withReading(this.printsOf(control.value), chosen, reading));
  }

  protected ratingWrong(text: string): string {
    return ratingProblem(text, this.units.system());
  }
}
