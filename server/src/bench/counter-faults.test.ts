import type { Bench, Piece, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { receiveTwo } from '../testing/bookings';
import { CounterBenches, waitFor } from '../testing/counter-benches';
import { FakeCounter } from '../testing/fake-counter';
import { lockWaits } from '../testing/lock-waits';
import { TestShop } from '../testing/test-shop';
import { testClock, timePasses } from '../testing/test-clock';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
let benches: CounterBenches;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  benches = new CounterBenches(shop, ada);
  pieces = await receiveTwo(ada, 5000);
});
afterAll(() => shop.close());

const windingAt = (bench: Bench): Promise<Run> => benches.windingAt(bench, pieces);
const turnsOf = async (run: Run, layer = 'backing'): Promise<number> =>
  (await benches.stateOf(run)).turns[layer] ?? 0;
const counts = (run: Run, turns: number, layer = 'backing') =>
  waitFor(async () => expect(await turnsOf(run, layer)).toBe(turns));

/** A run that its counter has credited with ten turns, and whoever watches it. */
async function tenWound(name: string) {
  const counter = await FakeCounter.open(name);
  const bench = await benches.benchWith(`At ${name}`, counter);
  const run = await windingAt(bench);
  const watching = await benches.watch(run);
  await waitFor(async () => expect((await benches.stateOf(run)).devices[name]).toBe(0));
  counter.turn(10);
  await counts(run, 10);
  const end = async (): Promise<void> => {
    watching.leave();
    await counter.cut();
  };
  return { counter, bench, run, watching, end };
}

describe('a counter that misbehaves', () => {
  it('has its rubbish, its repeats, its late lines and half lines passed over', async () => {
    const { counter, run, end } = await tenWound('reed-31');
    counter.send('reed-31,900000');
    counter.send('00000001,x\n\u0000\u0001\n,,,\nreed-31,1e9,5\nreed-99,5,500\n');
    counter.send('reed-31,2,8\nreed-31,2,8\n');
    counter.turn(3);
    await counts(run, 13);
    expect((await benches.read(run)).events.filter(({ kind }) => kind === 'turns').length).toBeLessThan(6);
    await end();
  });

  it('is asked about where its switch chatters, a hundred counts in one packet, however small the lines', async () => {
    const { counter, run, watching, end } = await tenWound('reed-45');
    counter.chatter(100);
    await waitFor(() => expect(watching.counter()).toMatchObject({ count: 110, odd: 'jumped' }));
    // Three were wound behind it.
    counter.turn(3);
    await waitFor(() => expect(watching.counter()?.count).toBe(113));
    await waitFor(async () => expect(113 - watching.counter()!.unclaimed).toBe(await turnsOf(run)));
    // No more was believed than a hand may have wound since it was heard last, with what may be gathered.
    expect(await turnsOf(run)).toBeLessThanOrEqual(10 + 24);
    expect(watching.counter()?.since).toBe(110);
    await end();
  });

  it('is asked about where it jumped by what a hand cannot wind, also after the server began again', async () => {
    const { counter, run, watching, end } = await tenWound('reed-32');
    // Just before it two were wound: they are not asked about.
    counter.turn(2);
    counter.jump(200);
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'jumped', unclaimed: 200 }));
    expect(await turnsOf(run)).toBe(12);
    counter.turn(5);
    await waitFor(() =>
      expect(watching.counter()).toMatchObject({ odd: 'jumped', unclaimed: 205, count: 217, since: 212 }),
    );
    expect(await turnsOf(run)).toBe(12);
    await waitFor(async () => {
      const row = await shop.context.tables.counters.findOne({ where: { name: 'reed-32' } });
      expect(row?.heard).toMatchObject({ doubt: 'jumped' });
    });
    const again = await shop.restartCounters();
    await waitFor(() =>
      expect(again.frameFor(run.id, run.benchId)).toMatchObject({ link: 'up', odd: 'jumped' }),
    );
    await waitFor(() => expect(again.frameFor(run.id, run.benchId)?.unclaimed).toBe(205));
    expect(await turnsOf(run)).toBe(12);
    await end();
  });

  it('that jumps once more while the first jump is answered is asked about again', async () => {
    const { counter, run, watching, end } = await tenWound('reed-38');
    counter.jump(200);
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'jumped', unclaimed: 200 }));
    counter.jump(300);
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'jumped', unclaimed: 500 }));
    // The page had shown the first one when it was answered.
    await benches.send(run, { kind: 'device-at', payload: { device: 'reed-38', count: 210 } });
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'jumped', unclaimed: 300 }));
    expect(await turnsOf(run)).toBe(10);
    await benches.send(run, { kind: 'device-at', payload: { device: 'reed-38', count: 510 } });
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: null, unclaimed: 0 }));
    counter.turn(3);
    await counts(run, 13);
    await end();
  });

  it('that begins again after little was counted wipes nothing', async () => {
    const { counter, run, watching, end } = await tenWound('reed-33');
    counter.restart();
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'restarted' }));
    counter.turn(4);
    await waitFor(() => expect(watching.counter()?.unclaimed).toBe(-6));
    expect(await turnsOf(run)).toBe(10);
    const since = [
      { kind: 'turns', payload: { layer: 'backing', turns: 4 } },
      { kind: 'device-at', payload: { device: 'reed-33', count: 4 } },
    ];
    await benches.send(run, ...since);
    counter.turn(2);
    await counts(run, 16);
    await end();
  });

  it('that begins again is still asked about as its count comes by what was credited, also after a restart', async () => {
    const { counter, run, watching, end } = await tenWound('reed-41');
    counter.restart();
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'restarted', unclaimed: -10 }));
    counter.turn(10);
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'restarted', count: 10 }));
    await waitFor(() => expect(watching.counter()?.unclaimed).toBe(0));
    const kept = async () =>
      (await shop.context.tables.counters.findOne({ where: { name: 'reed-41' } }))?.heard;
    await waitFor(async () => expect(await kept()).toMatchObject({ doubt: 'restarted', count: 10 }));
    const again = await shop.restartCounters();
    const frame = () => again.frameFor(run.id, run.benchId);
    await waitFor(() => expect(frame()).toMatchObject({ link: 'up', odd: 'restarted', count: 10 }));
    counter.turn(2);
    await waitFor(() => expect(frame()).toMatchObject({ odd: 'restarted', unclaimed: 2 }));
    expect(await turnsOf(run)).toBe(10);
    const answer = [
      { kind: 'turns', payload: { layer: 'backing', turns: 12 } },
      { kind: 'device-at', payload: { device: 'reed-41', count: 12 } },
    ];
    await benches.send(run, ...answer);
    counter.turn(3);
    await counts(run, 25);
    expect(frame()).toMatchObject({ odd: null, unclaimed: 0 });
    await end();
  });

  it('that two benches know under two spellings of its address counts at the first alone', async () => {
    const { counter, run, bench, end } = await tenWound('reed-43');
    const plain = { name: 'Spelled otherwise', spanMm: 1500, hand: 'right', devices: [] };
    const other = (await ada<Bench>('POST', '/benches', plain)).body;
    const second = await windingAt(other);
    const [device] = bench.devices;
    const devices = [{ ...device!, address: device!.address.replace('127.0.0.1', 'localhost') }];
    await shop.force(({ tables }) => tables.benches.changeAll({ devices }, { id: other.id }));
    const again = await shop.restartCounters();
    await waitFor(() => expect(again.frameFor(run.id, bench.id)).toMatchObject({ link: 'up' }));
    expect(again.frameFor(second.id, other.id)).toBeNull();
    counter.turn(5);
    await counts(run, 15);
    expect(await turnsOf(second)).toBe(0);
    await end();
  });

  it('that is called otherwise in mid-layer loses none of its turns', async () => {
    const { counter, run, bench, end } = await tenWound('reed-44');
    counter.turn(6);
    const [device] = bench.devices;
    const devices = [{ ...device!, name: 'reed-45' }];
    expect((await ada('PUT', `/benches/${bench.id}`, { ...bench, devices })).status).toBe(200);
    counter.rename('reed-45');
    counter.turn(4);
    await counts(run, 20);
    counter.turn(3);
    await counts(run, 23);
    expect((await benches.stateOf(run)).devices['reed-45']).toBe(23);
    await end();
  });

  it('that is called otherwise while it could not be heard is asked what it counted all the same', async () => {
    const { counter, run, bench, watching, end } = await tenWound('reed-46');
    await counter.cut();
    counter.turn(9);
    const unheard = { device: 'reed-46', count: 10, unheard: true };
    await benches.send(run, {
      kind: 'turns',
      payload: { layer: 'backing', turns: 5, per: 5.2, seen: unheard },
    });
    const [device] = bench.devices;
    const devices = [{ ...device!, name: 'reed-47' }];
    expect((await ada('PUT', `/benches/${bench.id}`, { ...bench, devices })).status).toBe(200);
    expect((await benches.stateOf(run)).called).toEqual({ 'reed-46': 'reed-47' });
    counter.rename('reed-47');
    await counter.listen();
    await waitFor(() =>
      expect(watching.counter()).toMatchObject({ count: 19, odd: 'unheard', unclaimed: 9 }),
    );
    expect(await turnsOf(run)).toBe(15);
    // Nobody at a bench says what a counter is called.
    const named = { device: 'reed-48', count: 19, was: 'reed-47' };
    expect(await benches.send(run, { kind: 'device-at', payload: named })).toMatchObject({ status: 400 });
    await end();
  });

  it('whose count is held loses its power: none of it is counted twice', async () => {
    const { counter, run, watching, end } = await tenWound('reed-42');
    await benches.send(run, { kind: 'held', payload: { on: true, device: 'reed-42', count: 10 } });
    counter.restart();
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'restarted' }));
    await benches.send(run, { kind: 'device-at', payload: { device: 'reed-42', count: 0 } });
    counter.turn(4);
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: null, unclaimed: 4 }));
    expect(await turnsOf(run)).toBe(10);
    await benches.send(run, { kind: 'held', payload: { on: false } });
    await counts(run, 14);
    await end();
  });

  it('that lost its power is not credited with what it stood at before, once that was answered', async () => {
    const { counter, run, end } = await tenWound('reed-39');
    counter.turn(30);
    await counts(run, 40);
    const answer = [
      { kind: 'turns', payload: { layer: 'backing', turns: 3 } },
      { kind: 'device-at', payload: { device: 'reed-39', count: 3 } },
    ];
    let answered: Promise<unknown> = Promise.resolve();
    // The answer comes to the log first, and right behind it what was counted before the doubt.
    await shop.force(async ({ tables, query }) => {
      await tables.runs.lock(run.id);
      answered = benches.send(run, ...answer);
      await lockWaits(query, 1);
      counter.restart();
      counter.turn(3);
      await lockWaits(query, 2);
    });
    await answered;
    counter.turn(2);
    await counts(run, 45);
    await end();
  });

  it('is asked about only once what it counted before the doubt is credited', async () => {
    const { counter, run, watching, end } = await tenWound('reed-40');
    await shop.force(async ({ tables, query }) => {
      await tables.runs.lock(run.id);
      counter.turn(5);
      counter.restart();
      counter.turn(3);
      await lockWaits(query, 1);
      await waitFor(() => expect(watching.counter()).toMatchObject({ count: 15, odd: null }));
    });
    await waitFor(() => expect(watching.counter()).toMatchObject({ count: 3, odd: 'restarted' }));
    expect(await turnsOf(run)).toBe(15);
    await end();
  });

  it('that says nothing any more is silent, and what it counted is credited once it is heard again', async () => {
    const { counter, run, watching, end } = await tenWound('reed-34');
    counter.silence();
    timePasses(9000);
    await waitFor(() => expect(watching.counter()?.link).toBe('silent'));
    const heardAt = new Date(watching.counter()!.heardAt!).getTime();
    expect(testClock().getTime() - heardAt).toBeGreaterThan(5000);
    counter.turn(2);
    await waitFor(() => expect(watching.counter()?.link).toBe('up'));
    await counts(run, 12);
    await end();
  });
});

describe('what begins or ends at a count', () => {
  it('a step’s end counts up to what the technician saw, though the server credited more before it heard', async () => {
    const { counter, run, end } = await tenWound('reed-35');
    counter.turn(9);
    await counts(run, 19);
    await benches.send(
      run,
      {
        kind: 'turns',
        payload: { layer: 'backing', turns: 4, per: 5.2, device: 'reed-35', count: 14, from: 10 },
      },
      { kind: 'step-done', payload: { step: 'wind-backing', seen: { device: 'reed-35', count: 14 } } },
      ...['depth-backing', 'join-main'].map((step) => ({
        kind: 'step-done',
        payload: { step, seen: { device: 'reed-35', count: 16 } },
      })),
    );
    counter.turn(1);
    await counts(run, 4, 'main');
    expect(await turnsOf(run)).toBe(14);
    await end();
  });

  it('hand presses while the counter was away are not added to what it counted', async () => {
    const { counter, run, watching, end } = await tenWound('reed-36');
    await counter.cut();
    counter.turn(8);
    await benches.send(run, {
      kind: 'turns',
      payload: {
        layer: 'backing',
        turns: 8,
        per: 5.2,
        seen: { device: 'reed-36', count: 10, unheard: true },
      },
    });
    await counter.listen();
    await waitFor(async () => expect((await benches.stateOf(run)).devices['reed-36']).toBe(18));
    expect(await turnsOf(run)).toBe(18);
    await counter.cut();
    await benches.send(run, {
      kind: 'turns',
      payload: {
        layer: 'backing',
        turns: 10,
        per: 5.2,
        seen: { device: 'reed-36', count: 18, unheard: true },
      },
    });
    counter.turn(5);
    await counter.listen();
    await waitFor(() => expect(watching.counter()).toMatchObject({ odd: 'unheard', unclaimed: 5 }));
    expect(await turnsOf(run)).toBe(28);
    await end();
  });

  it('turns just made stay the reel’s that another one takes the place of', async () => {
    const { counter, bench, run, end } = await tenWound('reed-37');
    counter.turn(6);
    const next = await windingAt(bench);
    await waitFor(async () => expect((await benches.stateOf(next)).devices['reed-37']).toBe(16));
    counter.turn(3);
    await counts(next, 3);
    expect(await turnsOf(run)).toBe(16);
    await end();
  });
});
