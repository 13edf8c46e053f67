import type { Bench, Piece, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { receiveTwo } from '../testing/bookings';
import { CounterBenches, waitFor } from '../testing/counter-benches';
import { FakeCounter } from '../testing/fake-counter';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ada: Ask;
let benches: CounterBenches;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  benches = new CounterBenches(shop, ada);
  pieces = await receiveTwo(ada, 5000);
});
afterAll(() => shop.close());

const CM_A_TURN = 70;

/** A turn counter and a line meter at one bench; the meter listed first, as somebody may. */
async function bothAt(name: string) {
  const counter = await FakeCounter.open('reed-5');
  const meter = await FakeCounter.open('wheel-5');
  const devices = [
    { name: 'wheel-5', address: meter.address, counts: 'metres', per: 100 },
    { name: 'reed-5', address: counter.address, counts: 'handle-turns', per: 1 },
  ];
  const body = { name, spanMm: 1500, hand: 'right', devices };
  return { bench: (await ada<Bench>('POST', '/benches', body)).body, counter, meter };
}

describe('a line meter beside a turn counter', () => {
  it('is marked with the counted turns, credits no metres, and narrows what the reel holds', async () => {
    const { bench, counter, meter } = await bothAt('Bench 50');
    const run: Run = await benches.windingAt(bench, pieces);
    expect(run.device?.name).toBe('reed-5');
    const watching = await benches.watch(run);
    await waitFor(async () => expect((await benches.stateOf(run)).devices['reed-5']).toBe(0));
    await waitFor(() => expect(watching.counter()?.meter).toMatchObject({ link: 'up' }));
    for (let turned = 8; turned <= 48; turned += 8) {
      meter.jump(8 * CM_A_TURN);
      counter.turn(8);
      await waitFor(async () => expect((await benches.stateOf(run)).turns.backing).toBe(turned));
    }
    const state = await benches.stateOf(run);
    expect(state.metres).toEqual({});
    const { stretches } = state;
    expect(stretches.length).toBeGreaterThan(1);
    const length = stretches.reduce((sum, one) => sum + one.length, 0);
    const turns = stretches.reduce((sum, one) => sum + one.spoolTurns, 0);
    expect(length / turns).toBeCloseTo(CM_A_TURN / 100 / run.job.planInput.request.gear, 6);

    // The meter begins again from zero: that stretch is passed over, and nothing is asked.
    meter.restart();
    meter.jump(8 * CM_A_TURN);
    counter.turn(8);
    await waitFor(async () => expect((await benches.stateOf(run)).turns.backing).toBe(56));
    expect(watching.counter()?.odd).toBeNull();
    expect((await benches.stateOf(run)).stretches).toHaveLength(stretches.length);

    await meter.cut();
    await waitFor(() => expect(watching.counter()?.meter).toMatchObject({ link: 'away' }));
    const marks = (await benches.read(run)).events.filter(({ kind }) => kind === 'metered').length;
    counter.turn(40);
    await waitFor(async () => expect((await benches.stateOf(run)).turns.backing).toBe(96));
    expect((await benches.read(run)).events.filter(({ kind }) => kind === 'metered')).toHaveLength(marks);
    watching.leave();
    await counter.cut();
  });
});
