import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { api } from '@yard-spool/contract';
import { GIVEN_UP_TO } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { Sending } from '../ui/sending';
import { BenchView } from './bench-view';
import { RunStore } from './run-store';

/** A piece taken in mid-run. */
interface Taken {
  readonly pieceId: number;
  readonly code: string;
  readonly usedUp: boolean;
}

/** What is done where somebody changes their mind at the bench. */
@Injectable()
export class BenchMind {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly store = inject(RunStore);
  private readonly bench = inject(BenchView);

  readonly sending = new Sending();

  /** From here on the layer is wound off another piece; from its start, where what was on was stripped back. */
  takePiece(taken: Taken, stripped: boolean): void {
    const layer = this.bench.current()?.layer;
    if (layer === undefined) return;
    const back = stripped
      ? this.store.happen({ kind: 'restarted', payload: { layer, why: 'other' } })
      : Promise.resolve();
    void back.then(() => this.store.happen({ kind: 'piece-changed', payload: { layer, ...taken } }));
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
