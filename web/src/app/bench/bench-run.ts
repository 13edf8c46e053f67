import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { FormControl } from '@angular/forms';
import { Router } from '@angular/router';
import { parseQuantity, type RunStep } from '@yard-spool/core';
import { finalize } from 'rxjs';
import { sentenceOf } from '../data/request-problem';
import { UnitsService } from '../data/units.service';
import type { SectionView } from '../drawing/section-layout';
import type { LineLook } from '../drawing/line-look';
import { SpoolSection } from '../drawing/spool-section';
import { otherwiseWords } from '../rules/otherwise-words';
import { isTyping } from '../ui/is-typing';
import { QuantityField } from '../ui/quantity-field';
import { BenchActions, type BenchAction } from './bench-actions';
import { RunProgress } from './run-progress';
import { RunStore } from './run-store';
import { StepList } from './step-list';
import { stepWords } from './step-words';

/** Turns one press of the counting key stands for. */
const TEN = 10;

/** One reel at the bench: the step, the number to watch, the section filling, and what to do with which key. */
@Component({
  selector: 'ys-bench-run',
  imports: [SpoolSection, QuantityField, StepList, BenchActions, RunProgress],
  providers: [RunStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bench-run.html',
  host: { class: 'block min-h-0 grow', '(document:keydown)': 'onKey($event)' },
})
export class BenchRun {
  private readonly router = inject(Router);
  private readonly announcer = inject(LiveAnnouncer);
  protected readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);
  private readonly typed = viewChild<ElementRef<HTMLElement>>('typed');

  /** The run's number, from the address. */
  readonly id = input.required<string>();

  protected readonly count = new FormControl('', { nonNullable: true });
  protected readonly depth = new FormControl('', { nonNullable: true });
  protected readonly typing = signal(false);
  /** Set by Enter below the count: finishing here wants a second, different key. */
  protected readonly sure = signal(false);
  protected readonly busy = signal(false);
  protected readonly refused = signal('');
  protected readonly helping = signal(false);

  protected readonly current = computed(() => this.store.state()?.current ?? null);
  protected readonly words = computed(() => {
    const [run, step] = [this.store.run(), this.current()];
    return run && step ? stepWords(step, run.job.type, run.job.planInput.request) : null;
  });
  protected readonly winding = this.store.winding;
  protected readonly section = computed((): SectionView | null => {
    const [estimate, run] = [this.store.estimate(), this.store.run()];
    if (!estimate || !run) return null;
    const wound = this.store.wound().filter(({ length }) => length > 0);
    const now = wound.at(-1);
    const gap = run.job.planInput.request.gap ?? run.job.plan.gap.value;
    return {
      ...estimate.spool,
      layers: wound.map(({ id, innerRadius, outerRadius }) => ({
        inner: innerRadius,
        outer: outerRadius,
        look: this.look(id),
        label: id,
      })),
      marks: [
        { kind: 'stop', depth: gap, text: `${this.units.small(gap)} stop` },
        ...(this.joinsAbove()
          ? [
              {
                kind: 'join' as const,
                depth: this.stopDepth() ?? 0,
                text: `${this.units.small(this.stopDepth() ?? 0)} join`,
              },
            ]
          : []),
        ...(now
          ? [{ kind: 'now' as const, depth: now.depthAfter, text: this.units.small(now.depthAfter) }]
          : []),
      ],
    };
  });
  /** Metres and turns each layer comes to from here, by layer id. */
  private readonly ahead = computed(() => {
    const [run, winding] = [this.store.run(), this.winding()];
    const wound = new Map(this.store.wound().map((layer) => [layer.id, layer]));
    const done = this.store.state()?.done;
    return (winding?.plan ?? run?.job.plan)?.layers.map(({ id, length, handleTurns }) => {
      const on = wound.get(id);
      const finished = done?.has(`wind-${id}`) && on;
      return {
        id,
        length: finished ? on.length : length.value,
        turns: finished ? on.handleTurns : handleTurns.value,
      };
    });
  });
  protected readonly lengths = computed(() =>
    Object.fromEntries((this.ahead() ?? []).map(({ id, length }) => [id, length])),
  );
  protected readonly totals = computed(() =>
    Object.fromEntries((this.ahead() ?? []).map(({ id, turns }) => [id, turns])),
  );
  /** Depth at which the layer being wound is full, mm. */
  protected readonly stopDepth = computed(() => this.winding()?.planned.depthAfter.value ?? null);
  /** Whether another layer comes on top of the one being wound, so that its stop is a join. */
  private readonly joinsAbove = computed(() => {
    const [run, now] = [this.store.run(), this.winding()];
    return run !== null && now !== null && run.job.planInput.request.layers.at(-1)?.id !== now.layer;
  });
  protected readonly supply = computed(() =>
    this.store.run()?.job.cuts.find(({ layer }) => layer === this.current()?.layer),
  );

  /** What is not the house's for this reel. */
  protected readonly otherwise = computed(() => {
    const run = this.store.run();
    return run ? otherwiseWords(run.under) : [];
  });
  protected readonly actions = computed((): BenchAction[] => {
    const step = this.current();
    if (this.store.run()?.state === 'closed')
      return [{ key: 'Enter', name: 'See what is on it', main: true }];
    if (!step || step.kind === 'tag') return [{ key: 'Enter', name: 'Close this reel', main: true }];
    if (step.kind !== 'wind') return [{ key: 'Enter', name: 'Step done', main: true }];
    return [
      { key: 'Space', name: 'Ten turns', main: true },
      { key: '+', name: 'One turn' },
      { key: '−', name: 'One back' },
      { key: 'C', name: 'Type the count' },
      { key: 'Enter', name: 'Step done', quiet: !this.reached() },
    ];
  });
  private readonly reached = computed(() => (this.winding()?.turnsToGo ?? 0) === 0);

  constructor() {
    effect(() => void this.store.open(this.id()));
    effect(() => {
      const step = this.words();
      if (step) void this.announcer.announce(`${step.name}. ${step.todo}`);
    });
    effect(() => {
      if (this.typing()) this.typed()?.nativeElement.querySelector('input')?.focus();
    });
  }

  /** Keys act on the run, never on whichever button was touched last. */
  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (isTyping(event)) {
      if (event.key === 'Escape') this.typing.set(false);
      return;
    }
    const key =
      event.key === ' '
        ? 'Space'
        : event.key === '-'
          ? '−'
          : event.key.length === 1
            ? event.key.toUpperCase()
            : event.key;
    if (!['Space', 'Enter', '+', '=', '−', 'C', 'Z', 'F', '?'].includes(key)) return;
    event.preventDefault();
    if (!event.repeat) this.act(key === '=' ? '+' : key);
  }

  protected act(key: string): void {
    const step = this.current();
    if (key === '?') this.helping.update((open) => !open);
    if (this.busy()) return;
    if (key !== 'F') this.sure.set(false);
    if (key === 'Z') void this.store.undo();
    if (key === 'Enter') this.finish();
    if (key === 'F' && this.sure()) this.done();
    if (step?.kind === 'wind') this.onCountKey(key);
  }

  /** Keys that change the count of the layer being wound. */
  private onCountKey(key: string): void {
    const turns = { Space: TEN, '+': 1, '−': -1 }[key];
    if (turns !== undefined) this.turn(turns);
    if (key === 'C') this.startTyping();
  }

  protected setCount(): void {
    const layer = this.current()?.layer;
    const read = parseQuantity(this.count.value, 'count', 'metric', { min: 0, max: 20_000 });
    if (!read.ok || layer === undefined) return;
    this.typing.set(false);
    void this.store.happen({ kind: 'count-set', payload: { layer, turns: Math.round(read.value.value) } });
  }

  private startTyping(): void {
    this.count.setValue(String(this.winding()?.turns ?? 0));
    this.typing.set(true);
  }

  private turn(turns: number): void {
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

  private done(): void {
    const step = this.current();
    this.sure.set(false);
    if (step?.kind === 'gap' && !this.readGap()) return;
    if (!step || step.kind === 'tag') {
      this.close(step);
      return;
    }
    void this.store.happen({ kind: 'step-done', payload: { step: step.id } });
  }

  /** Records the gap as read; an empty field means nobody read it. False where what is typed is no depth. */
  private readGap(): boolean {
    if (this.depth.value.trim() === '') return true;
    const read = parseQuantity(this.depth.value, 'small-length', this.units.system(), { min: -3, max: 80 });
    if (!read.ok) return false;
    void this.store.happen({
      kind: 'depth-read',
      payload: { after: 'gap', depth: read.value.value, by: 'calliper' },
    });
    return true;
  }

  private close(step: RunStep | null): void {
    this.busy.set(true);
    this.refused.set('');
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

  private look(layer: string): LineLook {
    const run = this.store.run();
    const cut = run?.job.cuts.find((one) => one.layer === layer);
    const request = run?.job.planInput.request.layers.find(({ id }) => id === layer);
    const material = request?.kind === 'line' ? request.line.material : 'nylon';
    return { texture: cut?.pieceKind === 'salvage' ? 'salvage' : material, tint: cut?.tint ?? '#c5cfd2' };
  }
}
