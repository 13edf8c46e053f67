import { runFacts, type Bench, type Piece, type Run, type RunFrame } from '@yard-spool/contract';
import { foldRun } from '@yard-spool/core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { booking, numbered, receiveTwo } from '../testing/bookings';
import { FakeCounter } from '../testing/fake-counter';
import { TestShop } from '../testing/test-shop';
import { LiveRuns } from './live-runs';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
let pieces: { backing: Piece; main: Piece };
const person = { id: 1, name: 'Ada', role: 'manager' } as const;
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  pieces = await receiveTwo(ada, 5000);
});
afterAll(() => shop.close());

/** A run at a bench with a counter of its own, up to the winding of the backing. */
async function windingAt(bench: string, counter: FakeCounter, more: object = {}): Promise<Run> {
  const device = { name: counter.name, address: counter.address, counts: 'handle-turns', per: 1, ...more };
  await ada<Bench>('POST', '/benches', { name: bench, spanMm: 1500, hand: 'right', devices: [device] });
  const { body: bag } = await ada<{ jobs: { id: number }[] }>('POST', '/bags', booking(pieces));
  const { body: run } = await ada<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, bench });
  const steps = ['strip', 'mount', 'tie-on'].map((step) => ({ kind: 'step-done', payload: { step } }));
  await ada('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, steps) });
  return run;
}

const read = async ({ id }: Run): Promise<Run> => (await ada<Run>('GET', `/runs/${id}`)).body;
const stateOf = async (run: Run) => {
  const now = await read(run);
  return foldRun(runFacts(now), now.events);
};
const turnsOf = async (run: Run): Promise<number> => (await stateOf(run)).turns.backing ?? 0;
const send = async (run: Run, ...happenings: { kind: string; payload: object }[]) => {
  const { events } = await read(run);
  return ada('POST', `/runs/${run.id}/events`, { events: numbered(run, events.length, happenings) });
};
const waitFor = (condition: () => Promise<void> | void) =>
  vi.waitFor(condition, { timeout: 8000, interval: 40 });

describe('a counter at a bench', () => {
  it('is credited to the run that holds it, in at most four events a second, none lost', async () => {
    const counter = await FakeCounter.open('reed-1');
    const run = await windingAt('Bench 1', counter);
    const frames: RunFrame[] = [];
    const leave = await new LiveRuns(shop.house).watch(run.id, person, 0, (frame) => frames.push(frame));
    await waitFor(async () => expect((await stateOf(run)).devices['reed-1']).toBe(0));
    const started = Date.now();
    for (let i = 0; i < 600; i += 1) counter.turn(1);
    await waitFor(async () => expect(await turnsOf(run)).toBe(600));
    const stored = (await read(run)).events.filter(({ kind }) => kind === 'turns').length;
    expect(stored).toBeLessThanOrEqual(1 + Math.ceil((Date.now() - started) / 250));
    expect(frames.some((frame) => frame.kind === 'counter' && frame.count === 600)).toBe(true);
    expect(frames.some(({ kind }) => kind === 'log')).toBe(true);

    // The link breaks, the handle goes on: nothing is lost.
    await counter.cut();
    counter.turn(25);
    await counter.listen();
    await waitFor(async () => expect(await turnsOf(run)).toBe(625));
    counter.turn(-5);
    await waitFor(async () => expect(await turnsOf(run)).toBe(620));
    await leave();
    await counter.cut();
  });

  it('that begins again from zero, or jumps, is asked about and credits nothing until it is answered', async () => {
    const counter = await FakeCounter.open('reed-10');
    const run = await windingAt('Bench 10', counter);
    const odd = new Set<string | null>();
    let unclaimed = 0;
    const leave = await new LiveRuns(shop.house).watch(run.id, person, 0, (frame) => {
      if (frame.kind !== 'counter') return;
      odd.add(frame.odd);
      ({ unclaimed } = frame);
    });
    await waitFor(async () => expect((await stateOf(run)).devices['reed-10']).toBe(0));
    counter.turn(140);
    await waitFor(async () => expect(await turnsOf(run)).toBe(140));
    counter.restart();
    counter.turn(12);
    await waitFor(() => expect(odd.has('restarted')).toBe(true));
    await waitFor(() => expect(unclaimed).toBe(-128));
    expect(await turnsOf(run)).toBe(140);
    // The technician says that it began again: the twelve since are counted, and it goes on from there.
    const since = { layer: 'backing', turns: 12, device: 'reed-10', count: 12 };
    await send(run, { kind: 'turns', payload: since });
    counter.turn(3);
    await waitFor(async () => expect(await turnsOf(run)).toBe(155));
    counter.turn(10_000);
    await waitFor(() => expect(odd.has('jumped')).toBe(true));
    expect(await turnsOf(run)).toBe(155);
    await send(run, { kind: 'device-at', payload: { device: 'reed-10', count: 10_015 } });
    counter.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(159));
    await leave();
    await counter.cut();
  });

  it('is not credited while the run is held: what came meanwhile waits for an answer', async () => {
    const counter = await FakeCounter.open('reed-2');
    const run = await windingAt('Bench 2', counter);
    let unclaimed = 0;
    const watch = () =>
      new LiveRuns(shop.house).watch(run.id, person, 0, (frame) => {
        if (frame.kind === 'counter') ({ unclaimed } = frame);
      });
    let leave = await watch();
    await waitFor(async () => expect((await stateOf(run)).devices['reed-2']).toBe(0));
    counter.turn(10);
    await waitFor(async () => expect(await turnsOf(run)).toBe(10));
    await send(run, { kind: 'held', payload: { on: true } });
    counter.turn(34);
    await waitFor(() => expect(unclaimed).toBe(34));
    expect(await turnsOf(run)).toBe(10);

    // A restart of whoever watches asks again; leaving them out goes on from where it stands.
    await leave();
    unclaimed = 0;
    leave = await watch();
    await waitFor(() => expect(unclaimed).toBe(34));
    await send(
      run,
      { kind: 'device-at', payload: { device: 'reed-2', count: 44 } },
      { kind: 'held', payload: { on: false } },
    );
    counter.turn(2);
    await waitFor(async () => expect(await turnsOf(run)).toBe(12));
    await leave();
    await counter.cut();
  });

  it('that meters line keeps metres as metres, and a winder’s spool turns as handle turns', async () => {
    const [meter, winder] = [await FakeCounter.open('meter-1'), await FakeCounter.open('winder-1')];
    const metered = await windingAt('Bench 5', meter, { counts: 'metres', per: 100 });
    const spooled = await windingAt('Bench 6', winder, { counts: 'spool-turns', per: 2 });
    const live = new LiveRuns(shop.house);
    const leaves = [
      await live.watch(metered.id, person, 0, () => 0),
      await live.watch(spooled.id, person, 0, () => 0),
    ];
    await waitFor(async () => expect((await stateOf(metered)).devices['meter-1']).toBe(0));
    await waitFor(async () => expect((await stateOf(spooled)).devices['winder-1']).toBe(0));
    meter.turn(1234);
    winder.turn(104);
    await waitFor(async () => expect((await stateOf(metered)).metres.backing).toBeCloseTo(12.34, 9));
    await waitFor(async () => expect(await turnsOf(spooled)).toBeCloseTo(52 / 5.2, 9));
    for (const leave of leaves) await leave();
    await Promise.all([meter.cut(), winder.cut()]);
  });

  it('credits nothing twice when one watcher goes as another comes', async () => {
    const counter = await FakeCounter.open('reed-7');
    const run = await windingAt('Bench 8', counter);
    const live = new LiveRuns(shop.house);
    let leave = await live.watch(run.id, person, 0, () => 0);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-7']).toBe(0));
    for (let round = 1; round <= 5; round += 1) {
      counter.turn(10);
      const going = leave();
      leave = await live.watch(run.id, person, 0, () => 0);
      await going;
      await waitFor(async () => expect(await turnsOf(run)).toBe(10 * round));
    }
    await leave();
    await counter.cut();
  });

  it('is let go of where its run is taken up at another bench', async () => {
    const counter = await FakeCounter.open('reed-9');
    const run = await windingAt('Bench 9', counter);
    const leave = await new LiveRuns(shop.house).watch(run.id, person, 0, () => 0);
    await waitFor(async () => expect((await stateOf(run)).devices['reed-9']).toBe(0));
    counter.turn(4);
    await waitFor(async () => expect(await turnsOf(run)).toBe(4));
    await send(run, { kind: 'taken-up', payload: { bench: 'Bench 99' } });
    counter.turn(50);
    await send(run, { kind: 'turns', payload: { layer: 'backing', turns: 1 } });
    await leave();
    expect(await turnsOf(run)).toBe(5);
    await counter.cut();
  });

  it('serves one run at a time, and two benches do not disturb each other', async () => {
    const [one, two] = [await FakeCounter.open('reed-3'), await FakeCounter.open('reed-4')];
    const [left, right] = [await windingAt('Bench 3', one), await windingAt('Bench 4', two)];
    const live = new LiveRuns(shop.house);
    const leaves = [
      await live.watch(left.id, person, 0, () => 0),
      await live.watch(right.id, person, 0, () => 0),
    ];
    await waitFor(async () => expect((await stateOf(right)).devices['reed-4']).toBe(0));
    await waitFor(async () => expect((await stateOf(left)).devices['reed-3']).toBe(0));
    for (let i = 0; i < 50; i += 1) {
      one.turn(1);
      two.turn(2);
    }
    await waitFor(async () => expect([await turnsOf(left), await turnsOf(right)]).toEqual([50, 100]));

    await shop.house.tables.runs.update({ bench: 'Bench 3' }, { where: { id: right.id } });
    const told: RunFrame[] = [];
    const third = await live.watch(right.id, person, 0, (frame) => told.push(frame));
    expect(told).toContainEqual(expect.objectContaining({ kind: 'counter', link: 'taken' }));
    for (const leave of [...leaves, third]) await leave();
    await Promise.all([one.cut(), two.cut()]);
  });
});
