import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { api, type NewBag, type Piece } from '@yard-spool/contract';
import { parseRating } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { finalize, map, startWith } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import { pieceLook } from '../drawing/piece-look';
import { Choice } from '../ui/choice';
import { LoadState } from '../ui/load-state';
import { QuantityField } from '../ui/quantity-field';
import { draftForm, dropDraft, keepDraft, keptDraft } from './booking-draft';
import { CustomerPicker } from './customer-picker';
import { CutList, type CutRow } from './cut-list';
import { FIELD_RANGE, planDraft } from './draft-plan';
import { PlanView } from './plan-view';
import { REEL_TYPE_NAMES } from './reel-type-names';
import { pieceGroups } from './piece-groups';

/** Metres lost with each cut, as the rack counts it. */
const TAIL = 2;

/** Booking one reel in, with its plan beside the entry, changing with every keystroke. */
@Component({
  selector: 'ys-book-in',
  imports: [ReactiveFormsModule, CustomerPicker, QuantityField, Choice, PlanView, CutList, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './book-in.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BookIn {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsService);

  protected readonly range = FIELD_RANGE;
  protected readonly types = Object.entries(REEL_TYPE_NAMES).map(([value, name]) => ({ value, name }));
  protected readonly under = [
    { value: 'backing', name: 'Backing' },
    { value: 'main-only', name: 'Main only' },
  ];
  protected readonly form = draftForm(keptDraft());
  protected readonly controls = this.form.controls;
  private readonly draft = toSignal(
    this.form.valueChanges.pipe(
      startWith(null),
      map(() => this.form.getRawValue()),
    ),
    { initialValue: this.form.getRawValue() },
  );
  protected readonly pieces = load(() => this.api.call(api.listPieces));
  protected readonly groups = computed(() => pieceGroups(this.pieces.value() ?? []));
  /** Stripped line is good for backing only. */
  protected readonly mainGroups = computed(() =>
    pieceGroups((this.pieces.value() ?? []).filter(({ kind }) => kind !== 'salvage')),
  );
  protected readonly waterWord = ({ soaking, wetUntil }: Piece): string =>
    soaking ? ' · soaking' : wetUntil ? ' · wet' : '';
  protected readonly busy = signal(false);
  protected readonly refused = signal<RequestProblem | null>(null);

  protected readonly planned = computed(() =>
    planDraft(this.draft() as ReturnType<typeof keptDraft>, this.pieces.value() ?? [], this.units.system()),
  );
  protected readonly looks = computed(() => {
    const { main, backing } = this.planned();
    return { ...(main && { main: pieceLook(main) }), ...(backing && { backing: pieceLook(backing) }) };
  });
  protected readonly cuts = computed((): CutRow[] => {
    const { made, main, backing } = this.planned();
    const pieces: Record<string, Piece | undefined> = { main, backing };
    return (made?.plan.layers ?? []).flatMap(({ id, length, handleTurns }) => {
      const piece = pieces[id];
      if (!piece) return [];
      const other =
        main?.id === backing?.id && id === 'main' ? (made?.plan.layers[0]?.length.value ?? 0) + TAIL : 0;
      const left = (piece.lengthMm - piece.promisedMm) / 1000 - length.value - TAIL - other;
      return [
        {
          layer: id,
          line: piece.product.name,
          piece: piece.code,
          look: pieceLook(piece),
          metres: length.value,
          handleTurns: handleTurns.value,
          left,
        },
      ];
    });
  });
  protected readonly cautions = computed(() =>
    (this.planned().made?.plan.issues ?? []).filter(({ severity }) => severity === 'caution'),
  );
  protected readonly disagreement = computed(() => this.planned().made?.spool.disagreement?.sentence ?? '');
  protected readonly ready = computed(() => this.notReady() === '');

  /** What keeps this booking from being sent, in one sentence; empty where nothing does. */
  protected readonly notReady = computed(() => {
    const { made, next, problems } = this.planned();
    const draft = this.draft();
    if (next !== '') return next;
    if (!made) return problems[0] ?? '';
    if (made.plan.issues.some(({ severity }) => severity === 'error'))
      return 'Shorten the main line, or choose thinner line.';
    if (this.cuts().some(({ left }) => (left ?? 0) < 0)) return 'Choose a piece with enough line on it.';
    if (draft.customerName.trim() === '') return 'Say whose reel it is.';
    if (draft.label.trim() === '') return 'Say what the reel is called.';
    if (!DateTime.fromISO(draft.promised).isValid) return 'Say when it is promised.';
    return '';
  });

  protected readonly noting = signal(false);

  /** What each rating comes to as length times diameter squared: alike where they agree. */
  protected ratingsNote(): string {
    const system = this.units.system();
    const read = [this.controls.rating1.value, this.controls.rating2.value].map((text) =>
      parseRating(text, system),
    );
    const sizes = read.flatMap((one) =>
      one.ok ? [(one.value.length * one.value.diameter ** 2).toFixed(1)] : [],
    );
    return sizes.length > 0 ? `${sizes.join(', ')} m·mm²` : 'length × diameter';
  }

  protected ratingWrong(text: string): string {
    const rating = text.trim() === '' ? null : parseRating(text, this.units.system());
    return rating && !rating.ok ? (rating.issues[0]?.sentence ?? '') : '';
  }

  constructor() {
    this.form.valueChanges.subscribe(() =>
      keepDraft(this.form.getRawValue() as ReturnType<typeof keptDraft>),
    );
  }

  protected startOver(): void {
    this.form.reset(dropDraft());
    this.refused.set(null);
  }

  protected onKey(event: KeyboardEvent): void {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    this.book();
  }

  protected book(): void {
    const { input, main, backing } = this.planned();
    if (!this.ready() || !input || !main || this.busy()) return;
    const draft = this.form.getRawValue();
    const cuts = [
      ...(backing ? [{ layer: 'backing', pieceId: backing.id }] : []),
      { layer: 'main', pieceId: main.id },
    ];
    const tag = draft.tag.trim() === '' ? {} : { tag: draft.tag };
    const body: NewBag = {
      key: draft.key,
      customer:
        draft.customerId === ''
          ? { name: draft.customerName, contact: draft.contact }
          : { id: Number(draft.customerId) },
      promisedAt: DateTime.fromISO(draft.promised).toUTC().toISO() ?? '',
      notes: draft.notes,
      jobs: [
        {
          ...tag,
          type: draft.type as NewBag['jobs'][number]['type'],
          label: draft.label,
          planInput: input,
          cuts,
        },
      ],
    };
    this.refused.set(null);
    this.busy.set(true);
    this.api
      .call(api.bookBag, { body })
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: ({ number }) => {
          dropDraft();
          void this.router.navigate(['/bags', number]);
        },
        error: (error: unknown) => {
          this.refused.set(
            error instanceof RequestProblem ? error : new RequestProblem('server-error', sentenceOf(error)),
          );
          this.pieces.reload();
        },
      });
  }
}
