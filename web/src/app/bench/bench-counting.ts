import { inject, Injectable } from '@angular/core';
import { sentenceOf } from '../data/request-problem';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

/** What is done to the count of the layer being wound. */
@Injectable()
export class BenchCounting {
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);

  /** Counts by hand. Where a counter is away, the count is held first: what it counted is asked about once it is back. */
  turn(turns: number): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined || (turns < 0 && this.bench.soFar() <= 0)) return;
    const hold = this.store.device() && !this.bench.state()?.held;
    const held = hold ? this.store.happen({ kind: 'held', payload: { on: true } }) : Promise.resolve();
    void held.then(() => this.store.happen(this.bench.byHand(layer, turns)));
  }

  /** Turns a counting key stands for: ten, one, and a running total by fifties. */
  byKey(key: string): void {
    const turns = { Space: 10, '+': 1, '−': -1, '5': 50 }[key];
    if (turns !== undefined) this.turn(turns);
  }

  /** The count put right, in what is counted here. */
  setTo(count: number): void {
    const layer = this.bench.current()?.layer;
    if (layer !== undefined) void this.store.happen(this.bench.setTo(layer, count));
  }

  /** Holds the count, or goes on; what came meanwhile is asked about first. */
  hold(): void {
    const [frame, held] = [this.store.counter(), this.bench.state()?.held];
    if (held && frame?.unclaimed) return;
    const at = frame?.count == null ? {} : { device: frame.device.name, count: frame.count };
    void this.store.happen({ kind: 'held', payload: { on: !held, ...at } });
  }

  /** Whether line stays put with no tension, at the length that is on. */
  tension(holds: boolean): void {
    const layer = this.bench.current()?.layer;
    const wound = this.bench.winding()?.lengthSoFar ?? 0;
    if (layer !== undefined)
      void this.store.happen({ kind: 'tension-read', payload: { layer, holds, wound } });
  }

  /** Takes the supply of this layer out of its tub; says why it cannot be. */
  outOfTheTub(refused: (sentence: string) => void): void {
    const soakId = this.bench.supply()?.soakId ?? null;
    if (soakId === null) return;
    this.store.takeOutOfTub(soakId).subscribe({
      next: () => refused(''),
      error: (error: unknown) => refused(sentenceOf(error)),
    });
  }

  /** Ends a layer that was not wound to its count: by eye, or because its supply ran out. */
  finishLayer(how: { readonly by: 'eye' } | { readonly usedUp: true }): void {
    const step = this.bench.current();
    if (step?.kind === 'wind')
      void this.store.happen({ kind: 'step-done', payload: { step: step.id, ...how } });
  }
}
