import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { Router, RouterLink } from '@angular/router';
import { cautionsOf, parseQuantity, restOfFill, tooLong, type RunStep } from '@yard-spool/core';
import { finalize } from 'rxjs';
import { HouseService } from '../data/house.service';
import { sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import { SpoolSection } from '../drawing/spool-section';
import { otherwiseWords } from '../rules/otherwise-words';
import { isTyping } from '../ui/is-typing';
import { QuantityField } from '../ui/quantity-field';
import { text } from '../ui/text-control';
import { BenchActions } from './bench-actions';
import { actionsOf } from './bench-actions-of';
import { benchSection, layersAhead } from './bench-section';
import { DepthPanel } from './depth-panel';
import { LayPanel } from './lay-panel';
import { looksDue } from './looks-due';
import { MinuteTimer } from './minute-timer';
import { RunProgress } from './run-progress';
import { RunStore } from './run-store';
import { stepFields, stillMissing } from './step-fields';
import { StepForm } from './step-form';
import { StepList } from './step-list';
import { stepWords } from './step-words';
import { Tone } from './tone.service';
import { TooLongPanel } from './too-long-panel';
import { TwistPanel } from './twist-panel';
import { keepAwake } from './wake-lock';

/** Turns one press of the counting key stands for. */
const TEN = 10;
const KEYS = ['Space', 'Enter', '+', '=', '−', 'C', 'Z', 'F', 'T', 'L', 'D', 'H', 'N', 'M', '?'];

type Panel = 'count' | 'twist' | 'lay' | 'depth';

/** One reel at the bench: the step, the number to watch, the section filling, the look that is due, and five big actions. */
@Component({
  selector: 'ys-bench-run',
  imports: [
    BenchActions,
    DepthPanel,
    LayPanel,
    MinuteTimer,
    QuantityField,
    RouterLink,
    RunProgress,
    SpoolSection,
    StepForm,
    StepList,
    TooLongPanel,
    TwistPanel,
  ],
  providers: [RunStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-run.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BenchRun {
  private readonly router = inject(Router);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly house = inject(HouseService);
  protected readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);
  protected readonly tone = inject(Tone);
  private readonly typed = viewChild<ElementRef<HTMLElement>>('typed');
  private readonly stepForm = viewChild(StepForm);
  private readonly depthPanel = viewChild(DepthPanel);

  /** The run's number, from the address. */
  readonly id = input.required<string>();

  protected readonly count = text();
  protected readonly why = text();
  protected readonly panel = signal<Panel | null>(null);
  /** Set by Enter below the count: finishing here wants a second, different key. */
  protected readonly sure = signal(false);
  protected readonly busy = signal(false);
  protected readonly refused = signal('');
  protected readonly helping = signal(false);
  protected readonly reopening = signal(false);

  protected readonly state = this.store.shown;
  protected readonly current = computed(() => this.state()?.current ?? null);
  protected readonly winding = this.store.winding;
  protected readonly leftHanded = computed(() => this.store.run()?.under.hand === 'left');
  protected readonly words = computed(() => {
    const [facts, step, state] = [this.store.facts(), this.current(), this.state()];
    const way = state?.supplies[step?.layer ?? '']?.way ?? null;
    return facts && step ? stepWords(step, facts, way) : null;
  });
  protected readonly cautions = computed(() => {
    const places = this.words()?.cautions ?? [];
    const own = this.house.house()?.cautions ?? { words: {}, more: [] };
    return cautionsOf(own).filter(({ at }) => places.includes(at));
  });
  protected readonly fields = computed(() => {
    const [facts, step] = [this.store.facts(), this.current()];
    return facts && step ? stepFields(step, facts) : [];
  });
  protected readonly section = computed(() => {
    const [run, underWay] = [this.store.run(), this.store.underWay()];
    return run && underWay ? benchSection(run, underWay, (mm) => this.units.small(mm)) : null;
  });
  protected readonly ahead = computed(() => {
    const [run, underWay, state] = [this.store.run(), this.store.underWay(), this.state()];
    return run && underWay && state ? layersAhead(run, underWay, state.done) : { lengths: {}, totals: {} };
  });
  /** Depth at which the layer being wound is full, mm. */
  protected readonly stopDepth = computed(() => this.winding()?.planned.depthAfter.value ?? null);
  protected readonly supply = computed(() =>
    this.store.run()?.job.cuts.find(({ layer }) => layer === this.current()?.layer),
  );
  protected readonly looks = computed(() => {
    const [run, facts, state, underWay] = [
      this.store.run(),
      this.store.facts(),
      this.state(),
      this.store.underWay(),
    ];
    return run && facts && state && underWay && this.winding()
      ? looksDue(facts, state, underWay, run.under.spanMm / 1000)
      : [];
  });
  /** What is left of the last layer, once a depth was read. */
  protected readonly correction = computed(() => {
    const [underWay, state] = [this.store.underWay(), this.state()];
    const read = state?.depths.at(-1);
    const rest = underWay && read ? restOfFill(underWay) : null;
    if (!rest?.fits || rest.wanted === null || !read) return '';
    const { fits, gap } = rest;
    return `${this.units.small(read.depth)} read: ${this.units.length(fits.value)} of ${rest.layer.replace('-', ' ')} fit to the gap, likely ${this.units.length(fits.low)} to ${this.units.length(fits.high)}. As planned it ends at ${this.units.small(gap.value)}.`;
  });
  protected readonly long = computed(() => {
    const [underWay, state] = [this.store.underWay(), this.state()];
    // Asked once a depth was read: before that the plan knows no better than when it was booked.
    return underWay && (state?.depths.length ?? 0) > 0 && this.winding() ? tooLong(underWay) : null;
  });
  /** What is not the house's for this reel. */
  protected readonly otherwise = computed(() => {
    const run = this.store.run();
    return run ? otherwiseWords(run.under) : [];
  });
  protected readonly counterUp = computed(() => this.store.counter()?.link === 'up');
  protected readonly actions = computed(() =>
    actionsOf({
      step: this.current(),
      closed: this.store.run()?.state === 'closed',
      counter: this.counterUp(),
      held: this.state()?.held ?? false,
      reached: this.reached(),
      fixedSpool: this.store.run()?.job.type === 'fixed-spool',
    }),
  );
  private readonly reached = computed(() => (this.winding()?.turnsToGo ?? 0) === 0);
  private heardToGo = 0;

  constructor() {
    keepAwake();
    effect(() => void this.store.open(this.id()));
    effect(() => {
      const step = this.words();
      if (step) void this.announcer.announce(`${step.name}. ${step.todo}`);
    });
    effect(() => {
      this.current();
      untracked(() => {
        this.panel.set(null);
      });
    });
    effect(() => {
      if (this.panel() === 'count') this.typed()?.nativeElement.querySelector('input')?.focus();
    });
    effect(() => {
      const now = this.winding()?.turnsToGo ?? 0;
      untracked(() => {
        this.tone.count(this.heardToGo, now);
        this.heardToGo = now;
      });
    });
  }

  /** Keys act on the run, never on whichever button was touched last. */
  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (isTyping(event)) {
      if (event.key === 'Escape') this.leavePanel();
      return;
    }
    // A box or a choice that has the focus keeps the keys that move it; all others act on the run.
    const box = event.target instanceof HTMLInputElement;
    if (box && (event.key === ' ' || event.key.startsWith('Arrow'))) return;
    const named = { ' ': 'Space', '-': '−' }[event.key] ?? event.key;
    const key = named.length === 1 ? named.toUpperCase() : named;
    if (key === 'Escape') this.leavePanel();
    if (!KEYS.includes(key)) return;
    event.preventDefault();
    if (!event.repeat) this.act(key === '=' ? '+' : key);
  }

  /** Enter in a field of the step ends the step. */
  protected fieldDone(event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.act('Enter');
  }

  protected act(key: string): void {
    const step = this.current();
    if (key === '?') this.helping.update((open) => !open);
    if (key === 'M') this.tone.switch();
    if (this.busy()) return;
    if (key !== 'F') this.sure.set(false);
    if (key === 'Z') void this.store.undo();
    if (key === 'Enter') this.finish();
    if (key === 'F' && this.sure()) this.done();
    if (key === 'N' && step?.optional)
      void this.store.happen({ kind: 'step-skipped', payload: { step: step.id } });
    if (step?.kind === 'wind') this.onCountKey(key);
  }

  /** Keys that change the count of the layer being wound, or look at it. */
  private onCountKey(key: string): void {
    if (key === 'Space' && this.counterUp()) {
      this.hold();
      return;
    }
    const turns = { Space: TEN, '+': 1, '−': -1 }[key];
    if (turns !== undefined) this.turn(turns);
    const panel = ({ C: 'count', T: 'twist', L: 'lay', D: 'depth' } as const)[key as 'C' | 'T' | 'L' | 'D'];
    if (panel === 'count') this.count.setValue(String(Math.round(this.winding()?.turns ?? 0)));
    if (panel) this.panel.update((open) => (open === panel ? null : panel));
  }

  protected leavePanel(): void {
    this.panel.set(null);
  }

  /** Holds the count, or goes on; what came meanwhile is asked about first. */
  private hold(): void {
    if (this.state()?.held && this.store.counter()?.unclaimed) return;
    void this.store.happen({ kind: 'held', payload: { on: !this.state()?.held } });
  }

  /** Credits what a counter went on by while the count was held, or leaves it out, and goes on. */
  protected claim(count: boolean): void {
    const [frame, layer] = [this.store.counter(), this.current()?.layer];
    if (frame?.count == null || layer === undefined) return;
    const at = { device: frame.device, count: frame.count };
    const settled = count ? Promise.resolve() : this.store.happen({ kind: 'device-at', payload: at });
    void settled.then(() => this.store.happen({ kind: 'held', payload: { on: false } }));
  }

  protected tension(holds: boolean): void {
    const layer = this.current()?.layer;
    if (layer !== undefined) void this.store.happen({ kind: 'tension-read', payload: { layer, holds } });
  }

  protected setCount(): void {
    const layer = this.current()?.layer;
    const read = parseQuantity(this.count.value, 'count', 'metric', { min: 0, max: 20_000 });
    if (!read.ok || layer === undefined) return;
    this.leavePanel();
    void this.store.happen({ kind: 'count-set', payload: { layer, turns: Math.round(read.value.value) } });
  }

  protected turn(turns: number): void {
    const layer = this.current()?.layer;
    if (layer !== undefined) void this.store.happen({ kind: 'turns', payload: { layer, turns } });
  }

  private finish(): void {
    const step = this.current();
    if (step?.kind === 'wind' && !this.reached()) {
      this.sure.set(true);
      return;
    }
    this.done();
  }

  protected done(): void {
    const [step, run] = [this.current(), this.store.run()];
    this.sure.set(false);
    this.refused.set('');
    if (run?.state === 'closed') {
      void this.router.navigate(['/reels', run.job.tag]);
      return;
    }
    if (!step || step.kind === 'tag') {
      this.close(step);
      return;
    }
    const depth = step.kind === 'depth' || step.kind === 'gap' ? this.depthPanel() : undefined;
    if (depth?.typedAnything()) {
      if (!depth.submit()) this.refused.set('Put the depth right first, or empty the field.');
      return;
    }
    const values = this.stepForm()?.values() ?? {};
    const missing =
      this.stepForm()?.values() === null ? 'Put right what is typed first.' : stillMissing(step, values);
    if (missing !== '') {
      this.refused.set(missing);
      return;
    }
    const noted =
      Object.keys(values).length > 0
        ? this.store.happen({ kind: 'noted', payload: { step: step.id, values } })
        : Promise.resolve();
    void noted.then(() => this.stepDone(step.id));
  }

  protected stepDone(step: string | undefined): void {
    if (step !== undefined) void this.store.happen({ kind: 'step-done', payload: { step } });
  }

  protected reopen(): void {
    if (this.why.value.trim() === '') return;
    this.store.reopen(this.why.value).subscribe({
      next: () => this.reopening.set(false),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  private close(step: RunStep | null): void {
    this.busy.set(true);
    void this.store.finishAll(step).then(() =>
      this.store
        .close()
        .pipe(finalize(() => this.busy.set(false)))
        .subscribe({
          next: () => void this.router.navigate(['/reels', this.store.run()?.job.tag]),
          error: (error: unknown) => this.refused.set(sentenceOf(error)),
        }),
    );
  }
}
