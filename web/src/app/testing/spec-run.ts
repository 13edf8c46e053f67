import { ChangeDetectionStrategy, Component, inject, input, signal, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { NgComponentOutlet } from '@angular/common';
import type { CounterAtBench } from '@yard-spool/contract';
import { type RunEvent, type RunFacts, runFacts, type RunHappening } from '@yard-spool/core';
import { BenchExit } from '../bench/bench-exit';
import { BenchView } from '../bench/bench-view';
import { CounterStep } from '../bench/counter-step';
import { RunStore } from '../bench/run-store';
import { EMPTY } from 'rxjs';
import { aRun } from './runs';
import { openScreen } from './screen';

const FACTS = runFacts(aRun());
const nothing = (): Promise<void> => Promise.resolve();
/** The same run of a trolling reel. */
export const TROLLING: RunFacts = { ...FACTS, type: 'trolling' };

/** A run that stands where its log says, and writes down what happens to it. There is no server behind it. */
export class SpecRun extends RunStore {
  readonly happened: RunHappening[] = [];
  override readonly log = signal<readonly RunEvent[]>([]);
  override readonly run = signal(aRun());
  override readonly planned = signal<RunFacts>(FACTS);
  override readonly frame = signal<CounterAtBench | null | undefined>(undefined);
  override readonly linked = signal(true);
  override readonly problem = signal('');
  override readonly saving = signal('saved' as const);
  override readonly waiting = signal(0);
  override readonly kept = signal(0);
  override readonly refusal = signal('');
  override readonly elsewhere = signal(null);

  override happen(...happened: RunHappening[]): Promise<void> {
    this.happened.push(...happened);
    return Promise.resolve();
  }
  override answer(happened: readonly RunHappening[]): Promise<void> {
    return this.happen(...happened);
  }
  override readonly open = nothing;
  override readonly takeUp = nothing;
  override readonly takeHere = nothing;
  override readonly finishAll = nothing;
  override readonly discardRefused = nothing;
  override readonly reopen = () => EMPTY;
  override readonly takeOutOfTub = () => EMPTY;
  override readonly close = () => EMPTY;
}

@Component({
  selector: 'ys-on-a-run',
  imports: [NgComponentOutlet],
  template: `<ng-container *ngComponentOutlet="panel(); inputs: inputs()" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [{ provide: RunStore, useClass: SpecRun }, BenchView, BenchExit, CounterStep],
})
class OnARun {
  readonly panel = input.required<Type<unknown>>();
  readonly inputs = input<Record<string, unknown>>({});
  readonly store = inject(RunStore) as unknown as SpecRun;
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
  store.planned.set(facts);
  store.log.set(log);
  await screen.fixture.whenStable();
  return { ...screen, store };
}
