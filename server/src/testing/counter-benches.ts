import type { Bench, Piece, Run, RunFrame } from '@yard-spool/contract';
import { foldRun, runFacts, type RunState } from '@yard-spool/core';
import { vi } from 'vitest';
import { watchRun } from '../devices/watch-run';
import { booking, numbered } from './bookings';
import type { FakeCounter } from './fake-counter';
import type { Ask } from './rack';
import type { TestShop } from './test-shop';

/** Runs at benches whose counters a test turns by hand. */
export class CounterBenches {
  constructor(
    private readonly shop: TestShop,
    private readonly ask: Ask,
  ) {}

  /** A bench with a counter of its own. */
  async benchWith(name: string, counter: FakeCounter, more: object = {}): Promise<Bench> {
    const device = { name: counter.name, address: counter.address, counts: 'handle-turns', per: 1, ...more };
    const body = { name, spanMm: 1500, hand: 'right', devices: [device] };
    return (await this.ask<Bench>('POST', '/benches', body)).body;
  }

  /** A run at a bench, up to the winding of the backing. */
  async windingAt({ id: benchId }: Bench, pieces: { backing: Piece; main: Piece }): Promise<Run> {
    const { body: bag } = await this.ask<{ jobs: { id: number }[] }>('POST', '/bags', booking(pieces));
    const { body: run } = await this.ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId });
    const steps = ['strip', 'mount', 'tie-on'].map((step) => ({ kind: 'step-done', payload: { step } }));
    await this.ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, steps) });
    return run;
  }

  /** Watches a run; gives what it is told, and a way to stop. */
  async watch(run: Run) {
    const frames: RunFrame[] = [];
    const leave = await watchRun(
      this.shop.context,
      this.shop.counters,
      { runId: run.id, after: 0 },
      (frame) => frames.push(frame),
    );
    const counter = () => frames.flatMap((frame) => (frame.kind === 'counter' ? [frame.counter] : [])).at(-1);
    return { frames, leave, counter };
  }

  async read({ id }: Run): Promise<Run> {
    return (await this.ask<Run>('GET', `/runs/${String(id)}`)).body;
  }

  async stateOf(run: Run): Promise<RunState> {
    const now = await this.read(run);
    return foldRun(runFacts(now), now.events);
  }

  async send(run: Run, ...happenings: { kind: string; payload: object }[]) {
    const { events } = await this.read(run);
    const more = { events: numbered(run, events.length, happenings) };
    return this.ask('POST', `/runs/${String(run.id)}/events`, more);
  }
}

export const waitFor = (condition: () => Promise<void> | void) =>
  vi.waitFor(condition, { timeout: 30_000, interval: 40 });
