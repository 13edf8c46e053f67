import {
  ChangeDetectionStrategy,
  Component,
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
import { parseQuantity, type RunStep } from '@yard-spool/core';
import { finalize } from 'rxjs';
import { sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import { SpoolSection } from '../drawing/spool-section';
import { isTyping } from '../ui/is-typing';
import { QuantityField } from '../ui/quantity-field';
import { text } from '../ui/text-control';
import { BenchActions } from './bench-actions';
import { KEYS, keyName, MOVES_A_CHOICE, PANELS, type Panel } from './bench-keys';
import { BenchView } from './bench-view';
import { DepthPanel } from './depth-panel';
import { LayPanel } from './lay-panel';
import { MinuteTimer } from './minute-timer';
import { RunProgress } from './run-progress';
import { RunStore } from './run-store';
import { stillMissing } from './step-fields';
import { StepForm } from './step-form';
import { StepList } from './step-list';
import { Tone } from './tone.service';
import { TooLongPanel } from './too-long-panel';
import { TwistPanel } from './twist-panel';
import { keepAwake } from './wake-lock';

/** Turns one press of the counting key stands for. */
const TEN = 10;
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
  providers: [RunStore, BenchView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-run.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BenchRun {
  private readonly router = inject(Router);
  private readonly announcer = inject(LiveAnnouncer);
  protected readonly store = inject(RunStore);
  protected readonly bench = inject(BenchView);
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

  private heardToGo = 0;

  constructor() {
    keepAwake();
    effect(() => void this.store.open(this.id()));
    effect(() => {
      const step = this.bench.words();
      if (step) void this.announcer.announce(`${step.name}. ${step.todo}`);
    });
    effect(() => {
      this.bench.current();
      untracked(() => {
        this.panel.set(null);
      });
    });
    effect(() => {
      if (this.panel() === 'count') this.typed()?.nativeElement.querySelector('input')?.focus();
    });
    effect(() => {
      const now = this.bench.winding()?.turnsToGo ?? 0;
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
    if (event.target instanceof HTMLInputElement && MOVES_A_CHOICE.test(event.key)) return;
    const key = keyName(event.key);
    if (key === 'Escape') this.leavePanel();
    if (!KEYS.includes(key)) return;
    event.preventDefault();
    if (!event.repeat) this.act(key);
  }

  /** Enter in a field of the step ends the step. */
  protected fieldDone(event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.act('Enter');
  }

  protected act(key: string): void {
    const step = this.bench.current();
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
    if (key === 'Space' && this.bench.counterUp()) {
      this.hold();
      return;
    }
    const turns = { Space: TEN, '+': 1, '−': -1 }[key];
    if (turns !== undefined) this.turn(turns);
    const asked = this.bench.looks().some(({ kind, due }) => kind === 'tension' && due);
    if (asked && (key === 'H' || key === 'G')) this.tension(key === 'H');
    const panel = PANELS.get(key);
    if (panel === 'count') this.count.setValue(String(Math.round(this.bench.soFar())));
    if (panel) this.panel.update((open) => (open === panel ? null : panel));
  }

  protected leavePanel(): void {
    this.panel.set(null);
  }

  /** Holds the count, or goes on; what came meanwhile is asked about first. */
  private hold(): void {
    if (this.bench.state()?.held && this.store.counter()?.unclaimed) return;
    const frame = this.store.counter();
    const at = frame?.count == null ? {} : { device: frame.device, count: frame.count };
    void this.store.happen({ kind: 'held', payload: { on: !this.bench.state()?.held, ...at } });
  }

  /** Credits what a counter went on by while the count was held, or leaves it out, and goes on. */
  protected claim(count: boolean): void {
    const [frame, layer] = [this.store.counter(), this.bench.current()?.layer];
    if (frame?.count == null || layer === undefined) return;
    const at = { device: frame.device, count: frame.count };
    const settled = count ? Promise.resolve() : this.store.happen({ kind: 'device-at', payload: at });
    void settled.then(() => this.store.happen({ kind: 'held', payload: { on: false } }));
  }

  protected tension(holds: boolean): void {
    const layer = this.bench.current()?.layer;
    if (layer !== undefined) void this.store.happen({ kind: 'tension-read', payload: { layer, holds } });
  }

  protected setCount(): void {
    const layer = this.bench.current()?.layer;
    const read = parseQuantity(this.count.value, 'count', 'metric', { min: 0, max: 20_000 });
    if (!read.ok || layer === undefined) return;
    this.leavePanel();
    void this.store.happen(this.bench.setTo(layer, read.value.value));
  }

  /** Counts by hand. Where a counter is away, the count is held first: what it counted is asked about once it is back. */
  protected turn(turns: number): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined) return;
    const hold = this.store.run()?.device && !this.bench.state()?.held;
    const held = hold ? this.store.happen({ kind: 'held', payload: { on: true } }) : Promise.resolve();
    void held.then(() => this.store.happen(this.bench.byHand(layer, turns)));
  }

  private finish(): void {
    const step = this.bench.current();
    if (step?.kind === 'wind' && !this.bench.reached()) {
      this.sure.set(true);
      return;
    }
    this.done();
  }

  protected done(): void {
    const [step, run] = [this.bench.current(), this.store.run()];
    this.sure.set(false);
    this.refused.set('');
    if (run?.state === 'closed') void this.router.navigate(['/reels', run.job.tag]);
    else if (!step || step.kind === 'tag') this.close(step);
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
    const missing = values === null ? 'Put right what is typed first.' : stillMissing(step, values);
    if (missing !== '' || values === null) {
      this.refused.set(missing);
      return;
    }
    const noted =
      Object.keys(values).length > 0
        ? this.store.happen({ kind: 'noted', payload: { step: step.id, values } })
        : Promise.resolve();
    void noted.then(() => {
      this.stepDone(step.id);
    });
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
