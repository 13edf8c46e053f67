import { inject, Injectable } from '@angular/core';
import { sentenceOf } from '../data/request-problem';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

/** What is done to the count of the layer being wound. */
@Injectable()
export class BenchCounting {
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);

  /**
   * Counts by hand. Where a counter is heard, the count is held first, and what it counts is asked about; where it cannot
   * be, what it counted is held against these turns once it is back.
   */
  turn(turns: number): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined || (turns < 0 && this.bench.soFar() <= 0)) return;
    const hold = this.store.counterHeard() && !this.bench.state()?.held;
    const held = hold ? this.holdNow(true) : Promise.resolve();
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
    const held = this.bench.state()?.held ?? false;
    if (held && this.store.counter()?.unclaimed) return;
    void this.holdNow(!held);
  }

  private holdNow(on: boolean): Promise<void> {
    const frame = this.store.counter();
    const seen = this.store.counterHeard() ? frame : null;
    const at = seen?.count == null ? {} : { device: seen.device.name, count: seen.count };
    return this.store.happen({ kind: 'held', payload: { on, ...at } });
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
