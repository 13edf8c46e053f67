import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { api } from '@yard-spool/contract';
import { GIVEN_UP_TO, layersOn, stepsToStrip, type PieceChanged } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { Sending } from '../ui/sending';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

/** A piece taken in mid-run. */
type Taken = Omit<PieceChanged, 'layer'>;

/** What is done where somebody changes their mind at the bench. */
@Injectable()
export class BenchExit {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);

  readonly sending = new Sending();

  /** From here on the layer is wound off another piece, joined to what is on. */
  goOnWith(taken: Taken): void {
    const layer = this.bench.current()?.layer;
    if (layer !== undefined) void this.store.happen({ kind: 'piece-changed', payload: { layer, ...taken } });
  }

  /** The piece that is mounted is another than was thought, and was all along. */
  wasMounted(taken: Taken): void {
    this.goOnWith({ ...taken, allAlong: true });
  }

  /** What is on was stripped back, and the layer begins again with this piece. */
  beginWith(taken: Taken): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined) return;
    void this.store.happen({ kind: 'restarted', payload: { layer, why: 'other' } }).then(() => {
      this.wasMounted(taken);
    });
  }

  /** The coil turns on the arbor: all of it comes off, and the fill begins again with the arbor's grip. */
  async stripForGrip(): Promise<void> {
    const state = this.bench.state();
    if (!state) return;
    const steps = stepsToStrip(state);
    for (const layer of layersOn(state))
      await this.store.happen({ kind: 'restarted', payload: { layer, why: 'slipped' } });
    if (steps.length > 0) await this.store.happen({ kind: 'step-again', payload: { steps } });
  }

  /** The layer that is wound gets another length. */
  anotherLength(length: number): void {
    const layer = this.bench.current()?.layer;
    if (layer !== undefined)
      void this.store.happen({ kind: 'chosen', payload: { layer, how: 'another-length', length } });
  }

  /** The bench is free for another reel. */
  async putAside(why: string): Promise<void> {
    await this.store.happen({ kind: 'put-aside', payload: { why: why.trim().slice(0, 120) } });
    await this.router.navigate(['/bench']);
  }

  /** The reel waits as it was booked; where the line that is on goes was said. */
  giveUp(why: string, line: string): void {
    const run = this.store.run();
    const to = GIVEN_UP_TO.find((one) => one === line);
    if (!run || !to) return;
    const ask = this.api.call(api.giveUpRun, { params: { id: run.id }, body: { why, line: to } });
    this.sending.send(ask, () => void this.router.navigate(['/bags', run.bagNumber]));
  }
}
