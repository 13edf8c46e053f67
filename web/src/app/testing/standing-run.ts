import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  signal,
  type Type,
} from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { NgComponentOutlet } from '@angular/common';
import type { CounterAtBench } from '@yard-spool/contract';
import {
  foldRun,
  type RunEvent,
  type RunFacts,
  runFacts,
  type RunHappening,
  runUnderWay,
} from '@yard-spool/core';
import { BenchExit } from '../bench/bench-exit';
import { BenchView } from '../bench/bench-view';
import { CounterStep } from '../bench/counter-step';
import { RunStore } from '../bench/run-store';
import { aRun, PLAN_INPUT } from './runs';
import { openScreen } from './screen';

const FACTS = runFacts(aRun());
/** The same run of a trolling reel. */
export const TROLLING: RunFacts = { ...FACTS, type: 'trolling' };

/** A run that stands where its log says, and writes down what happens to it. */
export class StandingRun {
  readonly happened: RunHappening[] = [];
  readonly log = signal<readonly RunEvent[]>([]);
  readonly run = signal(aRun());
  readonly facts = signal<RunFacts>(FACTS);
  readonly state = computed(() => foldRun(this.facts(), this.log()));
  readonly shown = this.state;
  readonly counter = signal<CounterAtBench | null>(null);
  readonly device = () => this.counter()?.device ?? this.run().device;
  readonly winding = () => this.underWay()?.winding ?? null;
  readonly underWay = computed(() => runUnderWay(PLAN_INPUT, this.facts(), this.state()));
  readonly happen = (happening: RunHappening): Promise<void> => {
    this.happened.push(happening);
    return Promise.resolve();
  };
  readonly answer = (happened: readonly RunHappening[]): Promise<void> => {
    this.happened.push(...happened);
    return Promise.resolve();
  };
  readonly linked = signal(true);
  readonly counterHeard = () => this.linked() && this.counter()?.link === 'up';
  readonly counterLost = () =>
    this.device() !== null && !this.counterHeard() && this.counter()?.link !== 'taken';
}

@Component({
  selector: 'ys-on-a-run',
  imports: [NgComponentOutlet],
  template: `<ng-container *ngComponentOutlet="panel(); inputs: inputs()" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: RunStore, useClass: StandingRun }, BenchView, BenchExit, CounterStep],
})
class OnARun {
  readonly panel = input.required<Type<unknown>>();
  readonly inputs = input<Record<string, unknown>>({});
  readonly store = inject(RunStore) as unknown as StandingRun;
}

/** A panel of the bench on a run that stands so. */
export async function onARun(
  panel: Type<unknown>,
  inputs: Record<string, unknown>,
  log: readonly RunEvent[],
  facts: RunFacts = FACTS,
) {
  TestBed.resetTestingModule();
  const screen = await openScreen(OnARun, { panel, inputs });
  const { store } = screen.fixture.componentInstance;
  store.facts.set(facts);
  store.log.set(log);
  await screen.fixture.whenStable();
  return { ...screen, store };
}
