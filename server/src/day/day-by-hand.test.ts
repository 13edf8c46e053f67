import type {
  Bag,
  DayPlan,
  DayTried,
  EarliestPromise,
  Message,
  Piece,
  Run,
  SavedHouseRules,
  Tub,
} from '@yard-spool/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import { codeOf, type Ask } from '../testing/rack';
import { said } from '../testing/said';
import { TestShop } from '../testing/test-shop';

const MINUTE = 60_000;
const nothing = { benchId: null, personId: null, earliestAt: null, at: null };

let shop: TestShop;
let ask: Ask;
let now = new Date('2030-01-03T09:30:00.000Z');
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await shop.as('Bo');
  await soak('none');
  pieces = await receiveTwo(ask, 20_000, 'H');
});
afterAll(() => shop.close());
// Each has the shop to itself: what another booked in is cancelled.
beforeEach(async () => {
  await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'cancelled' }, { state: 'booked' }));
});

async function soak(how: 'none' | 'short') {
  const rules = (await ask<SavedHouseRules>('GET', '/house-rules')).body;
  return ask('PUT', '/house-rules', { ...rules, zone: 'UTC', rules: { ...rules.rules, soak: how } });
}
const bookIn = async (promisedAt: string, more: object = {}, reels = 1): Promise<Bag> => {
  const body = booking(pieces, { promisedAt });
  const jobs = Array.from({ length: reels }, (_, i) => ({ ...body.jobs[0], label: `Reel ${i}`, ...more }));
  return (await ask<Bag>('POST', '/bags', { ...body, jobs })).body;
};
/** The day once no better order of it is looked for. */
async function day(): Promise<DayPlan> {
  for (;;) {
    const { body } = await ask<DayPlan>('GET', '/day');
    if (!body.improving) return body;
  }
}
const fillsOf = ({ rows }: DayPlan, { number }: Bag) =>
  rows.filter(({ kind, bags }) => kind === 'fill' && bags.includes(number));
const later = async (minutes: number): Promise<void> => {
  now = new Date(now.getTime() + minutes * MINUTE);
  ask = await shop.as('Ada');
};

describe('something that could be asked', () => {
  it('shows whose time in hand shrinks by it, and changes nothing', async () => {
    const bag = await bookIn('2030-01-03T12:00:00.000Z');
    const before = await day();
    const [fill] = fillsOf(before, bag);
    const wish = { ...nothing, earliestAt: '2030-01-03T13:00:00.000Z' };
    const tried = (await ask<DayTried>('POST', '/day/try', { operation: fill!.id, wish })).body;
    const was = before.bags.find(({ number }) => number === bag.number)!;
    const is = tried.bags.find(({ number }) => number === bag.number)!;
    expect(Date.parse(is.endAt)).toBeGreaterThanOrEqual(Date.parse('2030-01-03T13:00:00.000Z'));
    expect([before.broken, tried.broken]).toEqual([0, 1]);
    expect((await day()).bags.find(({ number }) => number === bag.number)).toEqual(was);
    // Nothing asked is the day as it is.
    const same = (await ask<DayTried>('POST', '/day/try', { operation: fill!.id, wish: nothing })).body;
    expect(same.bags.find(({ number }) => number === bag.number)!.endAt).toBe(was.endAt);
  });

  it('is refused as it would be if it was asked', async () => {
    const bag = await bookIn('2030-01-03T12:00:00.000Z');
    const [fill] = fillsOf(await day(), bag);
    const of = async (operation: string, wish: object) =>
      codeOf(await ask('POST', '/day/try', { operation, wish: { ...nothing, ...wish } }));
    expect(await of('fill:99999', {})).toBe('not-found');
    expect(await of('nonsense', {})).toBe('bad-request');
    expect(await of(fill!.id, { benchId: 999 })).toBe('not-found');
    expect(await of(fill!.id, { apart: true })).toBe('bad-request');
    expect(await of(fill!.id, { at: 'noon' })).toBe('bad-request');
  });
});

describe('a better order', () => {
  it('is looked for behind the answer where something else is left to do, not as time goes by', async () => {
    const bag = await bookIn('2030-01-03T17:00:00.000Z');
    const { body: run } = await ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH });
    await day();
    const isLookedFor = async () => (await ask<DayPlan>('GET', '/day')).body.improving;
    await later(3);
    expect(await isLookedFor()).toBe(false);
    await bookIn('2030-01-03T16:00:00.000Z');
    expect(await isLookedFor()).toBe(true);
    await day();
    await ask('POST', `/runs/${run.id}/give-up`, { why: 'tried', line: 'back' });
  });
});

describe('a row that is pinned', () => {
  it('to now is the next thing to do, and still is a while after; then it is as free as any', async () => {
    await bookIn('2030-01-03T15:00:00.000Z', {}, 2);
    const last = await bookIn('2030-01-03T17:00:00.000Z');
    const id = `fill:${last.jobs[0]!.id}`;
    const startOf = async (): Promise<number> =>
      Date.parse((await day()).rows.find((row) => row.id === id)!.startAt) - now.getTime();
    expect(await startOf()).toBeGreaterThan(10 * MINUTE);
    // The row it was dropped on was to begin a moment ago.
    const at = new Date(now.getTime() - 20_000).toISOString();
    const wish = { ...nothing, at, benchId: FIRST_BENCH };
    const tried = (await ask<DayTried>('POST', '/day/try', { operation: id, wish })).body;
    const done = (await ask<DayPlan>('PUT', `/day/operations/${id}`, wish)).body;
    expect(tried.bags.map(({ number, endAt }) => [number, endAt.slice(0, 16)])).toEqual(
      done.bags.map(({ number, endAt }) => [number, endAt.slice(0, 16)]),
    );
    expect(await startOf()).toBeLessThan(MINUTE);
    await later(30);
    expect(await startOf()).toBeLessThan(MINUTE);
    expect((await day()).rows.find((row) => row.id === id)).toMatchObject({ state: 'next', pinned: true });
    await later(31);
    // The order is kept as it was for as long as it is as good; made again, it has its own place.
    const free = (await ask<DayPlan>('PUT', '/day', {})).body;
    const row = free.rows.find((one) => one.id === id)!;
    expect(Date.parse(row.startAt) - now.getTime()).toBeGreaterThan(10 * MINUTE);
  });
});

describe('a set of counters', () => {
  it('is filled together, is taken apart by hand, and put together again', async () => {
    const bag = await bookIn('2030-01-03T17:00:00.000Z', { type: 'trolling' }, 3);
    const id = `fill:${bag.number}:counters`;
    const [together, ...others] = fillsOf(await day(), bag);
    expect([together!.id, others.length, together!.reels.length]).toEqual([id, 0, 3]);
    expect(together!.set).toEqual({ id, apart: false });
    const put = (wish: object) => ask<DayPlan>('PUT', `/day/operations/${id}`, { ...nothing, ...wish });
    const split = fillsOf((await put({ apart: true })).body, bag);
    expect(split.map((row) => row.id).sort()).toEqual(bag.jobs.map((job) => `fill:${job.id}`).sort());
    for (const row of split) expect(row.set).toEqual({ id, apart: true });
    const again = fillsOf((await put({})).body, bag);
    expect(again.map((row) => row.id)).toEqual([id]);
  });
});

describe('the day as it goes on', () => {
  it('says of a fill that takes longer that it does, and of none that does not', async () => {
    const first = await bookIn('2030-01-03T15:00:00.000Z');
    await bookIn('2030-01-03T16:00:00.000Z');
    await bookIn('2030-01-03T17:00:00.000Z');
    const { tag, id } = first.jobs[0]!;
    const run = (await ask<Run>('POST', '/runs', { jobId: id, benchId: FIRST_BENCH })).body;
    const fill = (await day()).rows.find((row) => row.id === `fill:${id}`)!;
    // Half an hour after it was to be full nothing of it is wound.
    await later((Date.parse(fill.endAt) - now.getTime()) / MINUTE + 30);
    const late = await day();
    expect(late.moved.length).toBeGreaterThan(0);
    expect(late.moved.some((one) => one.id === `fill:${id}`)).toBe(false);
    for (const { why } of late.moved) expect(said(why)).toBe(`${tag} takes longer than planned.`);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
    const done = await day();
    expect(done.moved.length).toBeGreaterThan(0);
    for (const { why } of done.moved) expect(said(why)).toBe(`${tag} was quicker than planned.`);
    // Nobody begins anything for a while: what was to begin within it, and what follows.
    await later(20);
    const whys = (await day()).moved.map(({ why }) => said(why));
    expect(whys).toContain('It was to begin before now, and was not begun.');
    expect(whys).toContain('What comes before it was not begun in time.');
  });

  it('tells nothing of what was begun before its time but what moved by it', async () => {
    await bookIn('2030-01-04T12:00:00.000Z', {}, 2);
    const last = await bookIn('2030-01-04T16:00:00.000Z');
    const job = last.jobs[0]!.id;
    const planned = (await day()).rows.find(({ id }) => id === `fill:${job}`)!;
    expect(Date.parse(planned.startAt) - now.getTime()).toBeGreaterThan(10 * MINUTE);
    const run = (await ask<Run>('POST', '/runs', { jobId: job, benchId: FIRST_BENCH })).body;
    const begun = await day();
    expect(begun.rows.find(({ id }) => id === `fill:${job}`)).toMatchObject({ state: 'now' });
    expect(begun.moved.map(({ id }) => id)).not.toContain(`fill:${job}`);
    expect(begun.moved.length).toBeGreaterThan(0);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
  });

  it('says that somebody is here again', async () => {
    await bookIn('2030-01-04T12:00:00.000Z', {}, 3);
    const { people } = await day();
    for (const { id } of people) await ask('PUT', `/day/people/${id}`, { here: false });
    await day();
    await ask('PUT', `/day/people/${people[0]!.id}`, { here: true });
    const whys = (await day()).moved.map(({ why }) => said(why));
    expect(whys).toContain(`${people[0]!.name} is here again.`);
    for (const { id } of people) await ask('PUT', `/day/people/${id}`, { here: true });
  });
});

describe('a promise that is too early', () => {
  it('names line of the same kind that is wet already, and hands that are missing', async () => {
    expect((await soak('short')).status).toBe(200);
    const dry = await receiveTwo(ask, 900, 'HD');
    const wet = await receiveTwo(ask, 900, 'HW');
    const tub = (await ask<Tub>('POST', '/tubs', { name: 'Right' })).body;
    for (const code of [wet.backing.code, wet.main.code])
      await ask('POST', `/tubs/${tub.id}/soaks`, { code });
    const [job] = booking(dry).jobs;
    const jobs = [{ type: job!.type, planInput: job!.planInput, cuts: job!.cuts }];
    const promise = async (): Promise<EarliestPromise> =>
      (await ask<EarliestPromise>('POST', '/day/promise', { jobs, promisedAt: now.toISOString() })).body;
    // Two hours on, the wet pieces are nearly ready.
    await later(120);
    const { at, cures } = await promise();
    const kinds = cures.map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(['dry', 'line']));
    const line = cures.find(({ kind }) => kind === 'line')!;
    expect(line.code).toBe('HW-25');
    for (const cure of cures) expect(cure.at < at!).toBe(true);
    expect(cures.map((cure) => cure.at)).toEqual(cures.map((cure) => cure.at).sort());
    // One person alone at two benches, and both of them busy for long: another pair of hands helps.
    await ask('POST', '/benches', { name: 'Second', spanMm: 1500, hand: 'right', devices: [] });
    const { people } = await day();
    for (const { id } of people.slice(1)) await ask('PUT', `/day/people/${id}`, { here: false });
    await bookIn(new Date(now.getTime() + 200 * MINUTE).toISOString(), {}, 6);
    expect((await promise()).cures.map(({ kind }) => kind)).toContain('hands');
    for (const { id } of people) await ask('PUT', `/day/people/${id}`, { here: true });
    await soak('none');
  });
});

describe('a reel without line', () => {
  it('has its message to the customer ready, once, and in the words of now', async () => {
    const body = booking(pieces, { promisedAt: '2030-01-05T16:30:00.000Z' });
    const [job] = body.jobs;
    const cuts = [job!.cuts[0]!, { layer: 'main', productId: pieces.main.product.id }];
    const bag = (await ask<Bag>('POST', '/bags', { ...body, jobs: [{ ...job, cuts }] })).body;
    const first = (await ask<Message>('POST', '/messages', { bag: bag.number })).body;
    expect(first).toMatchObject({ kind: 'waits', bag: bag.number, state: 'waiting' });
    expect(first.text).toMatch(new RegExp(`${bag.jobs[0]!.tag} Test 3000: waits for 120.m Test nylon 0.26`));
    expect((await ask<Message>('POST', '/messages', { bag: bag.number })).body.id).toBe(first.id);
    const whole = await bookIn('2030-01-05T17:00:00.000Z');
    expect(codeOf(await ask('POST', '/messages', { bag: whole.number }))).toBe('not-allowed');
    expect(codeOf(await ask('POST', '/messages', { bag: 99_999 }))).toBe('not-found');
  });
});
