import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { Router, RouterLink } from '@angular/router';
import { type RunStep, stillMissing } from '@yard-spool/core';
import { Outbox } from '../data/outbox.service';
import { UnitsService } from '../data/units.service';
import { Gone } from '../ui/gone';
import { SpoolSection } from '../drawing/spool-section';
import { useKeys } from '../keyboard/keyboard.service';
import { BenchActions } from './bench-actions';
import { BenchAside } from './bench-aside';
import { BenchClosing } from './bench-closing';
import { BenchCounting } from './bench-counting';
import { pressedControl } from '../keyboard/held-keys';
import { KEYS, PANELS, type Panel } from './bench-keys';
import { BenchLooks } from './bench-looks';
import { BenchExit } from './bench-exit';
import { ExitPanel } from './exit-panel';
import { BenchView } from './bench-view';
import { ClosedReel } from './closed-reel';
import { CounterChart } from '../drawing/counter-chart';
import { CounterTable } from '../drawing/counter-table';
import { CountPanel } from './count-panel';
import { CounterMatchPanel } from './counter-match-panel';
import { CounterPanel } from './counter-panel';
import { DragCheck } from './drag-check';
import { CounterStep } from './counter-step';
import { DepthPanel } from './depth-panel';
import { FinishPanel } from './finish-panel';
import { LayPanel } from './lay-panel';
import { LoosePanel } from './loose-panel';
import { MinuteTimer } from './minute-timer';
import { NotTaken } from './not-taken';
import { QuestionPanel } from './question-panel';
import { RanOutPanel } from './ran-out-panel';
import { RemedyPanel } from './remedy-panel';
import { RunKeeper } from './run-keeper';
import { RunStore } from './run-store';
import { ShopRun } from './shop-run';
import { StepForm } from './step-form';
import { Tone } from './tone.service';
import { TooLongPanel } from './too-long-panel';
import { TwistPanel } from './twist-panel';
import { WalkList } from './walk-list';
import { keepAwake } from './wake-lock';
import { WindingCount } from './winding-count';

/** One reel at the bench: the step, the number to watch, the section filling, the look that is due, and five big actions. */
@Component({
  selector: 'ys-bench-run',
  imports: [
    RouterLink,
    BenchActions,
    BenchAside,
    BenchLooks,
    ClosedReel,
    CountPanel,
    CounterChart,
    CounterMatchPanel,
    CounterPanel,
    CounterTable,
    DepthPanel,
    FinishPanel,
    Gone,
    LayPanel,
    LoosePanel,
    ExitPanel,
    MinuteTimer,
    NotTaken,
    QuestionPanel,
    RanOutPanel,
    RemedyPanel,
    SpoolSection,
    StepForm,
    TooLongPanel,
    TwistPanel,
    WalkList,
    WindingCount,
  ],
  providers: [
    RunKeeper,
    { provide: RunStore, useClass: ShopRun },
    BenchView,
    BenchClosing,
    BenchCounting,
    BenchExit,
    CounterStep,
    DragCheck,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-run.html',
  host: { class: 'block min-h-0 grow' },
})
export class BenchRun {
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);
  private readonly announcer = inject(LiveAnnouncer);
  protected readonly outbox = inject(Outbox);
  protected readonly store = inject(RunStore);
  protected readonly bench = inject(BenchView);
  protected readonly counting = inject(BenchCounting);
  protected readonly counterStep = inject(CounterStep);
  private readonly drag = inject(DragCheck);
  protected readonly closing = inject(BenchClosing);
  protected readonly units = inject(UnitsService);
  protected readonly tone = inject(Tone);
  private readonly stepForm = viewChild(StepForm);
  private readonly depthPanel = viewChild(DepthPanel);
  private readonly matchPanel = viewChild(CounterMatchPanel);
  private readonly remedyPanel = viewChild(RemedyPanel);
  private readonly asks = viewChild<ElementRef<HTMLElement>>('asks');

  /** The run's number, from the address. */
  readonly id = input.required<string>();

  protected readonly panel = signal<Panel | null>(null);
  /** Set by Enter below the count: finishing here wants a second, different key. */
  protected readonly sure = signal(false);
  protected readonly refused = signal('');
  protected readonly helping = signal(false);

  constructor() {
    useKeys((key) => this.keyFor(key));
    keepAwake();
    effect(() => void this.store.open(this.id()));
    effect(() => {
      const step = this.bench.words();
      if (step) void this.announcer.announce(`${step.name}. ${step.todo}`);
    });
    effect(() => {
      this.bench.current();
      untracked(() => {
        this.panel.set(this.opensWith);
        this.opensWith = null;
        // What was refused at the step before says nothing of this one.
        this.refused.set('');
      });
    });
    // On a phone what was just opened may stand above what is seen of the page.
    afterRenderEffect(() => {
      if (this.panel() || this.sure()) this.asks()?.nativeElement.scrollIntoView({ block: 'nearest' });
    });
    this.tone.follow(
      () => this.bench.winding()?.turnsToGo ?? (this.counterStep.moving() ? this.counterStep.turns() : 0),
    );
  }

  /** What the step that comes up next opens with: with a piece that is used up, the next one is asked for first. */
  protected opensWith: Panel | null = null;
  /** The drag that stands typed, judged. */
  protected readonly dragWords = computed(() => this.drag.judge(this.stepForm()?.read()));

  private keyFor(key: string): (() => void) | undefined {
    if (key === 'F1') return () => this.act('?');
    if (key === 'Escape') return () => this.panel.set(null);
    const depth = this.bench.winding() ? undefined : this.depthPanel();
    if (depth && key === 'D') return () => depth.begin();
    if (depth && /^[0-9]$/.test(key)) return () => depth.begin(key);
    if (key === this.bench.pedal()) return () => this.act('Space');
    return KEYS.includes(key) ? () => this.act(key) : undefined;
  }

  /** Enter in a field of the step ends the step. */
  protected fieldDone(event: Event): void {
    if (pressedControl(event.target)) return;
    event.preventDefault();
    event.stopPropagation();
    this.act('Enter');
  }

  protected act(key: string): void {
    if (key === '?') this.helping.update((open) => !open);
    if (key === 'M') this.tone.switch();
    if (!this.closing.busy()) this.actOn(key);
  }

  private actOn(key: string): void {
    const wasSure = this.sure();
    this.sure.set(false);
    if (key === 'Z') this.stepBack();
    if (key === 'Enter') this.finish();
    if (key === 'B') this.remedyPanel()?.putRight();
    if (key === 'N') this.leaveOut();
    if (key === 'X') this.panel.update((open) => (open === 'exit' ? null : 'exit'));
    if (key === 'Space' && this.matchPanel()) this.counterStep.toggleCount(this.bench.counterUp());
    if (this.bench.current()?.kind !== 'wind') return;
    if (wasSure) this.onSecondKey(key);
    this.onCountKey(key);
  }

  private stepBack(): void {
    this.closing.leaveOpen();
    void this.store.undo();
  }

  private onSecondKey(key: string): void {
    if (key === 'F' && this.bench.soFar() > 0) this.done();
    if (key === 'E') this.counting.finishLayer({ by: 'eye' });
  }

  private leaveOut(): void {
    const step = this.bench.current();
    if (step?.optional) void this.store.happen({ kind: 'step-skipped', payload: { step: step.id } });
  }

  /** Keys that change the count of the layer being wound, or look at it. */
  private onCountKey(key: string): void {
    if (key === 'Space' && this.bench.counterUp()) {
      this.counting.hold();
      return;
    }
    if (key === 'W') this.counting.outOfTheTub((sentence) => this.refused.set(sentence));
    if (key === 'U' && this.bench.mayRunOut()) this.panel.set('ran-out');
    this.counting.byKey(key);
    const asked = this.bench.looks().some(({ kind, due }) => kind === 'tension' && due);
    if (asked && (key === 'H' || key === 'G')) this.counting.tension(key === 'H');
    const panel = PANELS.get(key);
    if (!panel) return;
    this.panel.update((open) => (open === panel ? null : panel));
    // What opened for a figure takes the next one that is typed.
    if (panel === 'depth') afterNextRender(() => this.depthPanel()?.begin(), { injector: this.injector });
  }

  /** A depth was taken: the step ends, unless the level has to be put right first. */
  protected depthTaken(): void {
    if (!this.bench.remedy()) this.stepDone(this.bench.current()?.id);
  }

  private finish(): void {
    const step = this.bench.current();
    const panel = this.matchPanel();
    if (step?.kind === 'counter' && panel) {
      this.refused.set(
        panel.enter() ? '' : 'Type what the counter reads at the mark, or leave the walk out.',
      );
      return;
    }
    if (step?.kind === 'wind' && !this.bench.reached()) {
      this.sure.set(true);
      return;
    }
    this.done();
  }

  protected done(): void {
    const step = this.bench.current();
    const run = this.store.run();
    this.sure.set(false);
    this.refused.set('');
    if (run?.state === 'closed') void this.router.navigate(['/reels', run.job.tag]);
    else if (!step || step.kind === 'tag') this.closing.close(step);
    else if (!this.takesDepth()) this.writeDown(step);
  }

  /** Takes a depth that stands typed at the step; whether there is one, and so nothing else to do. */
  private takesDepth(): boolean {
    const depth = this.bench.winding() ? undefined : this.depthPanel();
    if (!depth?.typedAnything()) return false;
    if (!depth.submit()) this.refused.set('Put the depth right first, or empty the field.');
    return true;
  }

  /** Writes down what the step asks for, and ends it. */
  private writeDown(step: RunStep): void {
    const form = this.stepForm();
    const values = form ? form.values() : {};
    const missing =
      values === null
        ? 'Put right what is typed first.'
        : stillMissing(step, values) || this.drag.doubt(values);
    if (missing !== '' || values === null) {
      this.refused.set(missing);
      return;
    }
    const noted =
      Object.keys(values).length > 0
        ? this.store.happen({ kind: 'noted', payload: { step: step.id, values } })
        : Promise.resolve();
    void noted.then(() => {
      // What the thumb said may lead back into winding; said already, it is left so.
      const asks = step.kind === 'thumb' && 'level' in values && this.bench.remedy();
      if (!asks) this.stepDone(step.id);
    });
  }

  protected stepDone(step: string | undefined): void {
    if (step !== undefined) void this.store.happen({ kind: 'step-done', payload: { step } });
  }
}
