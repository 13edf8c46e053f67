import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type ReelKind } from '@yard-spool/contract';
import { kindKey, type ReelType } from '@yard-spool/core';
import { draftReader } from '../planning/draft-fields';
import { FIELD_RANGE } from '../planning/quantity-fields';
import { observationsOf } from '../planning/draft-observations';
import { ratingProblem } from '../planning/rating-text';
import { emptyReel, type ReelDraft } from '../planning/reel-draft';
import { factsOf } from '../planning/reel-from-plan';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { learnedWords, percent } from '../ui/learned-words';
import { LoadState } from '../ui/load-state';
import { QuantityField } from '../ui/quantity-field';
import { PickField } from '../ui/pick-field';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { KindRecipes } from './kind-recipes';
import { ReelsTabs } from './reels-tabs';

/** The reel book: kinds of reel the shop has seen, corrected and made one where two are the same. */
@Component({
  selector: 'ys-reel-book',
  imports: [
    KindRecipes,
    LoadState,
    PickField,
    QuantityField,
    ReelsTabs,
    ReactiveFormsModule,
    SelectField,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reel-book.html',
  host: { class: 'block min-h-0 grow' },
})
export class ReelBook {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);

  protected readonly kinds = load(() => this.api.call(api.listReelKinds));
  protected readonly types = REEL_TYPE_NAMES;
  protected readonly typeOptions = Object.entries(REEL_TYPE_NAMES).map(([value, name]) => ({ value, name }));
  protected readonly range = FIELD_RANGE;
  protected readonly find = text();
  private readonly typedFind = toSignal(this.find.valueChanges, { initialValue: '' });
  private readonly chosen = signal<number | null>(null);
  protected readonly found = computed(() => {
    const words = this.typedFind().toLowerCase().trim();
    return (this.kinds.value() ?? []).filter(({ label }) => label.toLowerCase().includes(words));
  });
  protected readonly shown = computed(
    (): ReelKind | undefined => this.found().find(({ id }) => id === this.chosen()) ?? this.found()[0],
  );
  protected readonly form = new FormGroup({
    label: text(),
    type: text('fixed-spool'),
    gear: text(),
    rating1: text(),
    rating2: text(),
    lip: text(),
    width: text(),
    arbor: text(),
  });
  private readonly typed = typedValue(this.form);
  protected readonly into = text();
  private readonly typedInto = toSignal(this.into.valueChanges, { initialValue: '' });
  protected readonly chosenOther = computed(() => this.typedInto() !== '');
  protected readonly others = computed(() =>
    (this.kinds.value() ?? [])
      .filter(({ id }) => id !== this.shown()?.id)
      .map(({ id, label }) => ({ value: String(id), name: label })),
  );
  protected readonly sending = new Sending();
  protected readonly merging = new Sending();

  constructor() {
    this.house.learnMore();
    let filled: string | null = null;
    effect(() => {
      const kind = this.shown();
      const now = kind ? `${String(kind.id)} ${String(kind.version)}` : null;
      if (!kind || now === filled) return;
      filled = now;
      const { gear, rating1, rating2, lip, width, arbor } = {
        ...emptyReel(),
        ...factsOf(kind, this.units.system()),
      };
      this.form.setValue({ label: kind.label, type: kind.type, gear, rating1, rating2, lip, width, arbor });
      this.into.setValue('');
    });
  }

  /** What closed fills have taught of the kind that is shown. */
  protected readonly learned = computed(() => {
    const kind = this.shown();
    const found = kind && this.house.learning()?.kinds.find(({ key }) => key === kindKey(kind));
    return found
      ? `Learned from ${learnedWords(found)}: line fills ${percent(found.belief.median)} of its space, give or take ${percent(found.belief.median * found.belief.sd)}.`
      : '';
  });

  protected open({ id }: ReelKind): void {
    this.chosen.set(id);
  }

  protected factsText({ observations, gear }: ReelKind): string {
    const { rating1, rating2 } = factsOf({ observations, gear }, this.units.system());
    // Measures are shown as people read them off a rule; the form has them to the digit.
    const measures = observations.flatMap((one) => {
      if (one.kind === 'lip') return [`lip ${this.units.small(one.diameter)}`];
      return one.kind === 'width' ? [`width ${this.units.small(one.width)}`] : [];
    });
    return [rating1, rating2, ...measures].filter(Boolean).join(', ');
  }

  protected ratingWrong(which: 1 | 2): string {
    const typed = which === 1 ? this.typed().rating1 : this.typed().rating2;
    return ratingProblem(typed, this.units.system());
  }

  protected save(kind: ReelKind): void {
    const { label, type, ...facts } = this.form.getRawValue();
    const draft: ReelDraft = { ...emptyReel(), ...facts };
    const read = draftReader(draft, this.units.system());
    // What this page does not show of a kind stays as it is.
    const kept = kind.observations.filter((one) => one.kind === 'retrieve');
    const observations = [...observationsOf(draft, read, this.units.system()), ...kept];
    const body = {
      version: kind.version,
      label,
      type: type as ReelType,
      gear: read('gear') ?? kind.gear,
      observations,
    };
    const again = (): void => {
      this.kinds.reload();
    };
    this.sending.send(this.api.call(api.changeReelKind, { params: { id: kind.id }, body }), again);
  }

  protected merge({ id }: ReelKind): void {
    const ask = this.api.call(api.mergeReelKinds, {
      params: { id },
      body: { into: Number(this.into.value) },
    });
    this.merging.send(ask, ({ id: kept }) => {
      this.chosen.set(kept);
      this.kinds.reload();
    });
  }
}
