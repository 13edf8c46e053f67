import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type Comeback, type Run } from '@yard-spool/contract';
import {
  faultReelOf,
  faultRemedy,
  findFault,
  MATERIALS,
  recordLooks,
  REEL_TYPES,
  SYMPTOMS,
  symptomName,
  symptomsIn,
  type FaultCase,
  type FaultCause,
  type FaultReel,
  type FilledReel,
  type LookKey,
  type Symptom,
} from '@yard-spool/core';
import { EMPTY, type Observable } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load, loadFor } from '../data/loaded';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { SelectField } from '../ui/select-field';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';
import { FaultAnswerCard } from './fault-answer';
import { answered, looksOf, oneBack, sayToo, toldFrom } from './fault-case';
import { FaultKnown } from './fault-known';
import { FaultQuestion, type FaultAnswer } from './fault-question';
import { FaultRemedyCard } from './fault-remedy';
import { filledReelOf, reelOfRun } from './filled-reel-of';
import { SettleFault } from './settle-fault';

/** What an address leaves out is empty. */
const given = (text: string | undefined): string => text ?? '';

/** What is wrong with it: what is said, the looks that tell most, what it most likely is, and what to do about it. */
@Component({
  selector: 'ys-fault-page',
  imports: [
    FaultAnswerCard,
    FaultKnown,
    FaultQuestion,
    FaultRemedyCard,
    LoadState,
    ReactiveFormsModule,
    RouterLink,
    SelectField,
    SettleFault,
    TextField,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './fault-page.html',
  host: { class: 'block min-h-0 grow overflow-y-auto p-4 px-5' },
})
export class FaultPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  // From the address: a reel and one of its fills, an entry of something that came back, a run, what was said and seen.
  readonly tag = input('', { transform: given });
  readonly fill = input('', { transform: given });
  readonly comeback = input('', { transform: given });
  readonly run = input('', { transform: given });
  readonly say = input('', { transform: given });
  readonly look = input('', { transform: given });

  protected readonly reel = loadFor(
    computed(() => this.tag()),
    (tag) => (tag === '' ? EMPTY : this.api.call(api.readReel, { params: { tag } })),
    'nothing',
  );
  protected readonly fillOf = computed(() => {
    const fills = this.reel.value()?.fills;
    return fills?.find(({ id }) => String(id) === this.fill()) ?? fills?.[0] ?? null;
  });
  /** It has another fill on it by now. */
  protected readonly earlier = computed(() => {
    const fill = this.fillOf();
    const on = this.reel.value()?.spools.find(({ name }) => name === fill?.spoolName)?.on;
    return Boolean(fill && on && on.fillId !== fill.id);
  });
  private readonly runId = computed(() => String(this.fillOf()?.runId ?? this.run()));
  protected readonly runNow = loadFor(
    this.runId,
    (id): Observable<Run> => (id === '' ? EMPTY : this.api.call(api.readRun, { params: { id } })),
    'nothing',
  );
  private readonly figures = load(() => this.api.call(api.readComebackFigures));
  protected readonly entry = computed(
    (): Comeback | null => this.fillOf()?.comebacks.find(({ id }) => String(id) === this.comeback()) ?? null,
  );

  /** Nothing of ours is known of it: what it is has to be said. */
  protected readonly unknown = computed(() => this.tag() === '' && this.run() === '');
  protected readonly waits = computed(
    () => !this.unknown() && (!this.runNow.value() || (this.tag() !== '' && !this.reel.value())),
  );
  protected readonly form = new FormGroup({ type: text('fixed-spool'), material: text(), words: text() });
  private readonly typed = typedValue(this.form);
  protected readonly types = REEL_TYPES.map((value) => ({ value, name: REEL_TYPE_NAMES[value] }));
  protected readonly materials = [
    { value: '', name: 'not known' },
    ...MATERIALS.map((value) => ({ value, name: value.replace('-', ' ') })),
  ];

  protected readonly filled = computed((): FilledReel | null => {
    const reel = this.reel.value();
    const fill = this.fillOf();
    const run = this.runNow.value();
    if (!reel || !fill || run?.id !== fill.runId) return null;
    const out = this.figures.value()?.standsOut ?? [];
    const named = (kind: string) => new Set(out.filter(({ what }) => what === kind).map(({ name }) => name));
    return filledReelOf(reel, fill, run, { lots: named('lot'), hands: named('hand') });
  });
  private readonly faultReel = computed((): FaultReel => {
    const filled = this.filled();
    const run = this.runNow.value();
    if (filled)
      return faultReelOf(
        filled.type,
        filled.layers.map(({ line }) => line),
      );
    if (run) return reelOfRun(run);
    const { type, material } = this.typed();
    return {
      type: REEL_TYPES.find((one) => one === type) ?? 'fixed-spool',
      material: MATERIALS.find((one) => one === material) ?? null,
      backing: null,
    };
  });

  /** What the address says, or the entry it is about. */
  private readonly startsWith = computed(() => {
    const entry = this.entry();
    return entry ? toldFrom(entry.complaint, entry.looks) : toldFrom(this.say(), looksOf(this.look()));
  });
  protected readonly told = linkedSignal(() => this.startsWith());
  /** Whether what is said is chosen; folded to one line once there is a question. */
  protected readonly choosing = linkedSignal(() => this.startsWith().symptoms.length === 0);
  protected readonly said = computed(() => {
    const names = this.told().symptoms.map(symptomName).join(', ');
    return names.charAt(0).toUpperCase() + names.slice(1);
  });
  /** Symptoms that somebody's own words name and nobody pressed yet. */
  protected readonly heard = computed(() =>
    symptomsIn(this.typed().words).filter((one) => !this.told().symptoms.includes(one)),
  );
  protected readonly symptoms = SYMPTOMS.map((key) => ({ key, name: symptomName(key) }));
  protected readonly record = computed(() => {
    const filled = this.filled();
    return filled ? recordLooks(filled) : [];
  });
  protected readonly of = computed((): FaultCase => {
    const { type } = this.faultReel();
    const seen = (this.figures.value()?.seen ?? []).filter((one) => one.type === type);
    return {
      reel: this.faultReel(),
      symptoms: this.told().symptoms,
      looks: [...this.record(), ...this.told().answers],
      seen: Object.fromEntries(seen.map(({ fault, count }) => [fault, count])),
    };
  });
  protected readonly found = computed(() => findFault(this.of()));

  private readonly asked = linkedSignal<FaultCase, LookKey | null>({
    source: this.of,
    computation: () => null,
  });
  /** The look that is asked for: one that was asked for by hand, else the one that tells most. */
  protected readonly question = computed(() => this.asked() ?? this.found().next?.look ?? null);
  private readonly picked = linkedSignal<FaultCase, FaultCause | null>({
    source: this.of,
    computation: () => null,
  });
  /** The cause that is looked at; none while nothing is said, or what is known is still on its way. */
  protected readonly cause = computed(() =>
    this.told().symptoms.length === 0 || this.waits()
      ? null
      : (this.picked() ?? this.found().ranked[0]?.cause ?? null),
  );
  /** The other one of the two that are there together, where the first of them is looked at. */
  protected readonly second = computed(() => {
    const both = this.found().both;
    const cause = this.cause();
    return both && cause && both.includes(cause) ? (both.find((one) => one !== cause) ?? null) : null;
  });
  protected readonly remedy = computed(() => {
    const cause = this.cause();
    return cause === null ? null : faultRemedy(cause, this.filled(), this.told().gapRead);
  });
  /** Pieces are asked for only where line goes on. */
  protected readonly pieces = loadFor(
    computed(() => this.remedy()?.line?.how === 'on'),
    (needs) => (needs ? this.api.call(api.listPieces) : EMPTY),
  );
  protected readonly settling = signal(false);

  constructor() {
    useKeys({ Backspace: () => this.back() }, { Backspace: 'Take the last answer back' });
  }

  /** The first thing said brings its question; more is added by asking for it. */
  protected sayToo(symptom: Symptom): void {
    const first = this.told().symptoms.length === 0;
    this.told.update((told) => sayToo(told, symptom));
    if (!first) return;
    this.choosing.set(false);
    this.toQuestion();
  }

  /** Enter takes what the words name. */
  protected takeHeard(): void {
    const [heard] = this.heard();
    if (heard) this.sayToo(heard);
  }

  protected answer({ look, answer, gapRead }: FaultAnswer): void {
    this.told.update((told) => answered(told, look, answer, gapRead));
    this.toQuestion();
  }

  protected back(): void {
    this.told.update(oneBack);
    this.toQuestion();
  }

  protected again(look: LookKey): void {
    this.asked.set(look);
    this.toQuestion();
  }

  protected pick(cause: FaultCause): void {
    this.picked.set(cause);
  }

  protected askMore(): void {
    this.asked.set(this.found().open[0]?.look ?? null);
    this.toQuestion();
  }

  /** Whoever goes by keys goes on at what is asked now: what they pressed is gone. */
  private toQuestion(): void {
    afterNextRender(() => this.host.querySelector<HTMLElement>('[data-asks]')?.focus(), {
      injector: this.injector,
    });
  }

  protected settled({ tag }: Comeback): void {
    void this.router.navigate(['/reels', tag]);
  }
}
