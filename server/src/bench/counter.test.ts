import type { Bench, Piece, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { receiveTwo } from '../testing/bookings';
import { CounterBenches, waitFor } from '../testing/counter-benches';
import { FakeCounter } from '../testing/fake-counter';
import { TestShop } from '../testing/test-shop';

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

const benchWith: CounterBenches['benchWith'] = (...of) => benches.benchWith(...of);
const watch: CounterBenches['watch'] = (run) => benches.watch(run);
const read: CounterBenches['read'] = (run) => benches.read(run);
const stateOf: CounterBenches['stateOf'] = (run) => benches.stateOf(run);
const send: CounterBenches['send'] = (...of) => benches.send(...of);

const windingAt = (bench: Bench): Promise<Run> => benches.windingAt(bench, pieces);
/** What is kept of what a bench's counter was heard to say. */
const keptOf = async ({ id: benchId }: Bench) =>
  (await shop.context.tables.counters.findOne({ where: { benchId } }))?.heard;
const turnsOf = async (run: Run): Promise<number> => (await stateOf(run)).turns.backing ?? 0;

/** Its adapter gets another address; the device counts on meanwhile. */
async function moved(counter: FakeCounter, bench: Bench, turns: number): Promise<void> {
  await counter.cut();
  counter.turn(turns);
  await counter.move();
  const devices = [{ ...bench.devices[0]!, address: counter.address }];
  expect((await ada('PUT', `/benches/${bench.id}`, { ...bench, devices })).status).toBe(200);
}

describe('a counter at a bench', () => {
  it('is credited to the run that holds it, in at most four events a second, none lost', async () => {
    const counter = await FakeCounter.open('reed-1');
    const run = await windingAt(await benchWith('Bench 20', counter, { per: 10 }));
    const { frames, leave } = await watch(run);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-1']).toBe(0));
    const started = Date.now();
    for (let i = 0; i < 600; i += 1) counter.turn(1);
    await waitFor(async () => expect(await turnsOf(run)).toBeCloseTo(60, 9));
    const stored = (await read(run)).events.filter(({ kind }) => kind === 'turns').length;
    expect(stored).toBeLessThanOrEqual(1 + Math.ceil((Date.now() - started) / 250));
    expect(frames.some((frame) => frame.kind === 'counter' && frame.counter?.count === 600)).toBe(true);
    expect(frames.some(({ kind }) => kind === 'log')).toBe(true);

    // The link breaks, the handle goes on: nothing is lost.
    await counter.cut();
    counter.turn(12);
    await counter.listen();
    await waitFor(async () => expect(await turnsOf(run)).toBeCloseTo(61.2, 9));
    counter.turn(-5);
    await waitFor(async () => expect(await turnsOf(run)).toBeCloseTo(60.7, 9));
    leave();
    await counter.cut();
  });

  it('that begins again from zero, or jumps, is asked about and credits nothing until it is answered', async () => {
    const counter = await FakeCounter.open('reed-10');
    const run = await windingAt(await benchWith('Bench 10', counter));
    const watching = await watch(run);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-10']).toBe(0));
    counter.turn(140);
    await waitFor(async () => expect(await turnsOf(run)).toBe(140));
    counter.restart();
    counter.turn(12);
    await waitFor(() => expect(watching.counter()?.odd).toBe('restarted'));
    await waitFor(() => expect(watching.counter()?.unclaimed).toBe(-128));
    expect(await turnsOf(run)).toBe(140);
    // The technician says that it began again: the twelve since are counted, and it goes on from there.
    const since = { layer: 'backing', turns: 12, device: 'reed-10', count: 12 };
    await send(run, { kind: 'turns', payload: since });
    counter.turn(3);
    await waitFor(async () => expect(await turnsOf(run)).toBe(155));
    counter.jump(10_000);
    await waitFor(() => expect(watching.counter()?.odd).toBe('jumped'));
    expect(await turnsOf(run)).toBe(155);
    await send(run, { kind: 'device-at', payload: { device: 'reed-10', count: 10_015 } });
    counter.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(159));
    watching.leave();
    await counter.cut();
  });

  it('is not credited while the run is held: what came meanwhile waits for an answer', async () => {
    const counter = await FakeCounter.open('reed-2');
    const run = await windingAt(await benchWith('Bench 2', counter));
    let watching = await watch(run);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-2']).toBe(0));
    counter.turn(10);
    await waitFor(async () => expect(await turnsOf(run)).toBe(10));
    await send(run, { kind: 'held', payload: { on: true } });
    counter.turn(34);
    await waitFor(() => expect(watching.counter()?.unclaimed).toBe(34));
    expect(await turnsOf(run)).toBe(10);

    // A restart of whoever watches asks again; leaving them out goes on from where it stands.
    watching.leave();
    watching = await watch(run);
    await waitFor(() => expect(watching.counter()?.unclaimed).toBe(34));
    await send(
      run,
      { kind: 'device-at', payload: { device: 'reed-2', count: 44 } },
      { kind: 'held', payload: { on: false } },
    );
    counter.turn(2);
    await waitFor(async () => expect(await turnsOf(run)).toBe(12));
    watching.leave();
    await counter.cut();
  });

  it('that meters line keeps metres as metres, and a winder’s spool turns as handle turns', async () => {
    const meter = await FakeCounter.open('meter-1');
    const winder = await FakeCounter.open('winder-1');
    const metered = await windingAt(await benchWith('Bench 5', meter, { counts: 'metres', per: 100 }));
    const spooled = await windingAt(await benchWith('Bench 6', winder, { counts: 'spool-turns', per: 2 }));
    await waitFor(async () => expect((await stateOf(metered)).devices['meter-1']).toBe(0));
    await waitFor(async () => expect((await stateOf(spooled)).devices['winder-1']).toBe(0));
    meter.jump(1234);
    winder.jump(104);
    await waitFor(async () => expect((await stateOf(metered)).metres.backing).toBeCloseTo(12.34, 9));
    await waitFor(async () => expect(await turnsOf(spooled)).toBeCloseTo(52 / 5.2, 9));
    await Promise.all([meter.cut(), winder.cut()]);
  });

  it('is credited whoever watches, and when nobody does; one link, however many look', async () => {
    const counter = await FakeCounter.open('reed-7');
    const run = await windingAt(await benchWith('Bench 8', counter));
    await waitFor(async () => expect((await stateOf(run)).devices['reed-7']).toBe(0));
    for (let round = 1; round <= 5; round += 1) {
      const watching = [await watch(run), await watch(run)];
      counter.turn(10);
      for (const { leave } of watching) leave();
      await waitFor(async () => expect(await turnsOf(run)).toBe(10 * round));
      expect(counter.heardBy).toBe(1);
    }
    await counter.cut();
  });

  it('counts for the run that stands at its bench: taken elsewhere the next bench’s counter counts it at once', async () => {
    const one = await FakeCounter.open('reed-3');
    const two = await FakeCounter.open('reed-4');
    const left = await benchWith('Bench 3', one);
    const right = await benchWith('Bench 4', two);
    const run = await windingAt(left);
    const { counter, leave } = await watch(run);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-3']).toBe(0));
    one.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(4));
    two.turn(70);
    await send(run, { kind: 'taken-up', payload: { bench: 'Bench 4', benchId: right.id } });
    await waitFor(() =>
      expect(counter()).toMatchObject({ device: { name: 'reed-4' }, link: 'up', count: 70 }),
    );
    await waitFor(async () => expect((await stateOf(run)).devices['reed-4']).toBe(70));
    // The old bench's next reel is counted by the old bench's counter, from where it stands.
    one.turn(50);
    const next = await windingAt(left);
    await waitFor(async () => expect((await stateOf(next)).devices['reed-3']).toBe(54));
    one.turn(6);
    two.turn(3);
    await waitFor(async () => expect([await turnsOf(run), await turnsOf(next)]).toEqual([7, 6]));

    // And back: what either counter did meanwhile is nobody's.
    await send(run, { kind: 'taken-up', payload: { bench: 'Bench 3', benchId: left.id } });
    await waitFor(async () => expect((await stateOf(run)).devices['reed-3']).toBe(60));
    two.turn(99);
    one.turn(2);
    await waitFor(async () => expect([await turnsOf(run), await turnsOf(next)]).toEqual([9, 6]));
    leave();
    await Promise.all([one.cut(), two.cut()]);
  });

  it('counts for nobody while no run stands at its bench, and goes on with the one that comes back', async () => {
    const one = await FakeCounter.open('reed-11');
    const two = await FakeCounter.open('reed-12');
    const left = await benchWith('Bench 11', one);
    const right = await benchWith('Bench 12', two);
    const run = await windingAt(left);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-11']).toBe(0));
    one.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(4));
    const takenTo = ({ name, id }: Bench) =>
      send(run, { kind: 'taken-up', payload: { bench: name, benchId: id } });
    await takenTo(right);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-12']).toBe(0));
    const at = new Date().toISOString();
    one.turn(50);
    const heardAt = () => shop.counters.frameFor(run.id, left.id)?.heardAt ?? '';
    await waitFor(() => expect(heardAt() > at).toBe(true));
    await takenTo(left);
    one.turn(2);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-11']).toBe(56));
    expect(await turnsOf(run)).toBe(6);
    await Promise.all([one.cut(), two.cut()]);
  });

  it('serves the reel that something was done to here last, and tells the other one so', async () => {
    const counter = await FakeCounter.open('reed-5');
    const bench = await benchWith('Bench 15', counter);
    const first = await windingAt(bench);
    await waitFor(async () => expect((await stateOf(first)).devices['reed-5']).toBe(0));
    counter.turn(10);
    await waitFor(async () => expect(await turnsOf(first)).toBe(10));
    const second = await windingAt(bench);
    const watching = await watch(first);
    expect(watching.counter()).toMatchObject({ link: 'taken', count: null });
    await waitFor(async () => expect((await stateOf(second)).devices['reed-5']).toBe(10));
    counter.turn(100);
    await waitFor(async () => expect(await turnsOf(second)).toBe(100));
    expect(await turnsOf(first)).toBe(10);
    // The first is wound on: from here its turns are its own again, and the hundred stay where they were made.
    await send(first, { kind: 'turns', payload: { layer: 'backing', turns: 1 } });
    await waitFor(() => expect(watching.counter()).toMatchObject({ link: 'up', count: 110 }));
    await waitFor(async () => expect((await stateOf(first)).devices['reed-5']).toBe(110));
    counter.turn(5);
    await waitFor(async () => expect(await turnsOf(first)).toBe(16));
    expect(await turnsOf(second)).toBe(100);
    watching.leave();
    await counter.cut();
  });

  it('that an older set-up lists at two benches counts at the first alone', async () => {
    const counter = await FakeCounter.open('reed-8');
    const bench = await benchWith('Bench 17', counter);
    const { devices, spanMm, hand } = bench;
    const twice = await shop.force(({ tables }) =>
      tables.benches.create({ name: 'Bench 18', spanMm, hand, devices }),
    );
    const run = await windingAt(bench);
    // Any change of the benches has their links looked at again.
    const third = await FakeCounter.open('reed-18');
    await benchWith('Bench 19', third);
    await waitFor(() => expect(third.heardBy).toBe(1));
    counter.turn(6);
    await waitFor(async () => expect(await turnsOf(run)).toBe(6));
    expect(counter.heardBy).toBe(1);
    expect(shop.counters.frameFor(run.id, twice.id)).toBeNull();
    await Promise.all([counter.cut(), third.cut()]);
  });

  it('goes on where its bench is renamed or its address changes', async () => {
    const counter = await FakeCounter.open('reed-6');
    const bench = await benchWith('Bench 16', counter);
    const run = await windingAt(bench);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-6']).toBe(0));
    counter.turn(8);
    await waitFor(async () => expect(await turnsOf(run)).toBe(8));
    const renamed = (await ada<Bench>('PUT', `/benches/${bench.id}`, { ...bench, name: 'Door' })).body;
    counter.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(12));
    await moved(counter, renamed, 10);
    await waitFor(async () => expect(await turnsOf(run)).toBe(22));
    await counter.cut();
  });

  it('is not in doubt at its new address over what it was heard to count at the old one', async () => {
    const counter = await FakeCounter.open('reed-9');
    const bench = await benchWith('Bench 9', counter);
    const run = await windingAt(bench);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-9']).toBe(0));
    counter.turn(1);
    await waitFor(async () => expect((await keptOf(bench))?.count).toBe(1));
    // From here to the change it counts more than a hand winds in that time: each line of it comes in its own.
    counter.turn(64);
    await waitFor(async () => expect(await turnsOf(run)).toBe(65));
    await moved(counter, bench, 2);
    await waitFor(async () => expect(await turnsOf(run)).toBe(67));
    await counter.cut();
  });
});
