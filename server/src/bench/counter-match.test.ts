import type { Run } from '@yard-spool/contract';
import { runSteps } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import { booking, receiveTwo, RUN_FACTS } from '../testing/bookings';
import { CounterBenches, waitFor } from '../testing/counter-benches';
import { FakeCounter } from '../testing/fake-counter';
import type { Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

let shop: TestShop;
let ada: Ask;
inShop('Ada', (opened) => ({ shop, ask: ada } = opened));

describe('a device at a bench where a reel’s own counter is matched', () => {
  it('counts the line moved while the reel’s own counter is matched, and never the walk', async () => {
    const benches = new CounterBenches(shop, ada);
    const pieces = await receiveTwo(ada, 5000);
    const counter = await FakeCounter.open('match-1');
    const { id: benchId } = await benches.benchWith('Bench 29', counter);
    const body = booking(pieces);
    const jobs = body.jobs.map((job) => ({ ...job, type: 'trolling', label: 'Match 30' }));
    const { body: bag } = await ada<{ jobs: { id: number }[] }>('POST', '/bags', { ...body, jobs });
    const { body: run } = await ada<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId });
    const steps = runSteps({ ...RUN_FACTS, type: 'trolling' }).map(({ id }) => id);
    const done = steps.slice(0, steps.indexOf('counter'));
    await benches.send(run, ...done.map((step) => ({ kind: 'step-done', payload: { step } })));
    const watching = await benches.watch(run);
    // What it counted is heard before the next thing is done, as a technician sees it.
    const heard = (count: number) => waitFor(() => expect(watching.counter()?.count).toBe(count));
    const main = async (): Promise<number> => (await benches.stateOf(run)).turns.main ?? 0;
    // The bench writes with it where the counter was seen to stand: the server may be busy with what was said before.
    const moving = (on: boolean, count: number) =>
      benches.send(run, { kind: 'moving', payload: { on, seen: { device: 'match-1', count } } });

    // Wound back after the walk: no line was moved.
    counter.turn(40);
    await heard(40);
    await moving(true, 40);
    await waitFor(async () => expect((await benches.stateOf(run)).devices['match-1']).toBe(40));
    expect(await main()).toBe(0);
    counter.turn(7);
    await waitFor(async () => expect(await main()).toBe(7));

    await moving(false, 47);
    counter.turn(30);
    await heard(77);
    await moving(true, 77);
    await waitFor(async () => expect((await benches.stateOf(run)).devices['match-1']).toBe(77));
    expect(await main()).toBe(7);
    watching.leave();
    await counter.cut();
  });
});
