import type { Bag, DayPlan, EarliestPromise, Piece, Run, SavedHouseRules, Tub } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import { codeOf } from '../testing/rack';
import { said } from '../testing/said';
import { TestShop } from '../testing/test-shop';

type Ask = Awaited<ReturnType<TestShop['as']>>;

let shop: TestShop;
let ask: Ask;
/** A Thursday morning, with the shop open since nine. */
let now = new Date('2030-01-03T09:30:00.000Z');
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await shop.as('Bo');
  const rules = (await ask<SavedHouseRules>('GET', '/house-rules')).body;
  await ask('PUT', '/house-rules', { ...rules, zone: 'UTC', rules: { ...rules.rules, soak: 'short' } });
  pieces = await receiveTwo(ask, 5000, 'D');
});
afterAll(() => shop.close());

const bookIn = async (promisedAt: string, from = pieces): Promise<Bag> =>
  (await ask<Bag>('POST', '/bags', booking(from, { promisedAt }))).body;
const day = async (): Promise<DayPlan> => (await ask<DayPlan>('GET', '/day')).body;
const idsOf = ({ rows }: DayPlan, state = 'next'): string[] =>
  rows.filter((row) => row.state === state).map(({ id }) => id);
const at = ({ rows }: DayPlan, id: string) => rows.find((row) => row.id === id)!;
const nothing = { benchId: null, personId: null, earliestAt: null, at: null };

describe('the day', () => {
  it('of a shop with nothing to do is empty', async () => {
    expect(await day()).toMatchObject({
      isNew: true,
      rows: [],
      bags: [],
      noPlace: [],
      broken: 0,
      later: 0,
      opensAt: null,
    });
  });

  it('has what each bag needs, in order, by somebody, in opening hours', async () => {
    const { number, jobs } = await bookIn('2030-01-03T15:00:00.000Z');
    const plan = await day();
    expect(plan.isNew).toBe(false);
    const job = jobs[0]!.id;
    expect(idsOf(plan).sort()).toEqual([
      `check:${job}`,
      `fill:${job}`,
      'out:D-25',
      'out:D-26',
      `relief:${job}`,
      `shelf:${number}`,
      'soak:D-25',
      'soak:D-26',
    ]);
    const fill = at(plan, `fill:${job}`);
    expect(fill).toMatchObject({ benchId: FIRST_BENCH, bags: [number], changes: 2, pinned: false });
    expect(fill.reels[0]).toMatchObject({ jobId: job, tag: jobs[0]!.tag, bag: number });
    expect(fill.lines.map(({ code }) => code)).toEqual(['D-25', 'D-26']);
    expect(fill.lines[1]!.lengthMm).toBe(120_000);
    expect(Date.parse(fill.startAt)).toBeGreaterThan(Date.parse(at(plan, 'out:D-26').endAt) - 1);
    expect(plan.people.map(({ id }) => id)).toContain(fill.personId);
    const [inHand] = plan.bags;
    expect(inHand).toMatchObject({ number, promisedAt: '2030-01-03T15:00:00.000Z' });
    expect(Date.parse(inHand!.surelyAt)).toBeGreaterThan(Date.parse(inHand!.endAt));
  });

  it('knows what is in the water, and when it may come out', async () => {
    const tub = (await ask<Tub>('POST', '/tubs', { name: 'Left' })).body;
    for (const code of ['D-25', 'D-26']) await ask('POST', `/tubs/${tub.id}/soaks`, { code });
    const plan = await day();
    expect(idsOf(plan)).not.toContain('soak:D-26');
    const { readyAt } = plan.tubs[0]!.soaks.find(({ code }) => code === 'D-26')!;
    expect(Date.parse(at(plan, 'out:D-26').startAt)).toBeGreaterThanOrEqual(Date.parse(readyAt));
    for (const { soaks } of (await ask<Tub[]>('GET', '/tubs')).body)
      for (const { id } of soaks) await ask('POST', `/soaks/${id}/out`, {});
    expect(idsOf(await day()).some((id) => id.startsWith('out:'))).toBe(false);
  });

  it('takes a bag that is promised sooner first, and says what moved and why', async () => {
    const later = await bookIn('2030-01-03T17:00:00.000Z');
    const before = await day();
    const soon = await bookIn('2030-01-03T10:30:00.000Z');
    const plan = await day();
    const fillOf = ({ jobs }: Bag): string => `fill:${jobs[0]!.id}`;
    const order = idsOf(plan).filter((id) => id.startsWith('fill'));
    expect(order.indexOf(fillOf(soon))).toBeLessThan(order.indexOf(fillOf(later)));
    expect(plan.moved.length).toBeGreaterThan(0);
    for (const moved of plan.moved) {
      expect(moved.why).toBe(`Bag ${String(soon.number)} was booked in.`);
      expect(at(before, moved.id).startAt).toBe(moved.wasAt);
    }
  });

  it('does what is asked by hand: a time, a person, not before; and takes it back', async () => {
    const plan = await day();
    const id = idsOf(plan).find((one) => one.startsWith('fill'))!;
    const put = (wish: object) => ask<DayPlan>('PUT', `/day/operations/${id}`, { ...nothing, ...wish });
    const pinned = (await put({ at: '2030-01-03T13:00:00.000Z', benchId: FIRST_BENCH })).body;
    expect(at(pinned, id)).toMatchObject({
      startAt: '2030-01-03T13:00:00.000Z',
      pinned: true,
      state: 'next',
    });
    const other = plan.people.at(-1)!.id;
    const given = (await put({ personId: other, earliestAt: '2030-01-03T11:00:00.000Z' })).body;
    expect(at(given, id)).toMatchObject({ personId: other, pinned: true });
    expect(Date.parse(at(given, id).startAt)).toBeGreaterThanOrEqual(Date.parse('2030-01-03T11:00:00.000Z'));
    expect(given.moved.find((one) => one.id === id)?.why).toBe('You asked for it.');
    expect(at((await put({})).body, id).pinned).toBe(false);
  });

  it('refuses what cannot be asked, and changes nothing', async () => {
    const plan = await day();
    const fill = idsOf(plan).find((one) => one.startsWith('fill'))!;
    const check = idsOf(plan).find((one) => one.startsWith('check'))!;
    const put = (id: string, wish: object) => ask('PUT', `/day/operations/${id}`, { ...nothing, ...wish });
    expect(codeOf(await put('fill:99999', {}))).toBe('not-found');
    expect(codeOf(await put('nonsense', {}))).toBe('bad-request');
    expect(codeOf(await put(check, { benchId: FIRST_BENCH }))).toBe('bad-request');
    expect(codeOf(await put(fill, { benchId: 999 }))).toBe('not-found');
    expect(codeOf(await put(fill, { personId: 999 }))).toBe('not-found');
    expect(idsOf(await day())).toEqual(idsOf(plan));
  });

  it('goes on without who has gone home, until they are back', async () => {
    const { people } = await day();
    const gone = people[0]!;
    const without = (await ask<DayPlan>('PUT', `/day/people/${gone.id}`, { here: false })).body;
    expect(without.people[0]).toMatchObject({ here: false });
    expect(without.rows.every(({ personId }) => personId !== gone.id)).toBe(true);
    expect(without.moved.map(({ why }) => said(why))).toContain(`${gone.name} has gone for today.`);
    const back = (await ask<DayPlan>('PUT', `/day/people/${gone.id}`, { here: true })).body;
    expect(back.people.every(({ here }) => here)).toBe(true);
    expect(codeOf(await ask('PUT', '/day/people/999', { here: false }))).toBe('not-found');
  });

  it('has what is on a bench now, and what was filled today', async () => {
    const { jobs } = await bookIn('2030-01-03T16:00:00.000Z');
    const job = jobs[0]!.id;
    const run = (await ask<Run>('POST', '/runs', { jobId: job, benchId: FIRST_BENCH })).body;
    const on = await day();
    expect(at(on, `fill:${job}`)).toMatchObject({ state: 'now', startAt: now.toISOString() });
    expect(on.benches[0]).toMatchObject({ id: FIRST_BENCH, runId: run.id });
    const wish = await ask('PUT', `/day/operations/fill:${job}`, {
      ...nothing,
      at: '2030-01-03T14:00:00.000Z',
    });
    expect(codeOf(wish)).toBe('already-closed');
    now = new Date(now.getTime() + 90 * 60_000);
    ask = await shop.as('Ada');
    const late = await day();
    expect(Date.parse(at(late, `fill:${job}`).endAt)).toBeGreaterThan(now.getTime());
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
    const done = await day();
    expect(at(done, `filled:${run.id}`)).toMatchObject({ state: 'done', benchId: FIRST_BENCH });
    expect(idsOf(done)).toContain(`check:${job}`);
  });

  it('says of a reel without line why it has no place, and puts its bag on no shelf', async () => {
    const body = booking(pieces, { promisedAt: '2030-01-03T16:30:00.000Z' });
    const product = pieces.main.product.id;
    const [job] = body.jobs;
    const cuts = [job!.cuts[0]!, { layer: 'main', productId: product }];
    const bag = (await ask<Bag>('POST', '/bags', { ...body, jobs: [{ ...job, cuts }] })).body;
    const plan = await day();
    const [none] = plan.noPlace;
    expect(none).toMatchObject({ bag: bag.number, tag: bag.jobs[0]!.tag });
    expect(said(none!.why)).toContain('120 m');
    expect(idsOf(plan)).not.toContain(`shelf:${bag.number}`);
    expect(plan.bags.some(({ number }) => number === bag.number)).toBe(false);
  });

  it('says what may be promised for one more bag, sooner where its line stays dry, and none without line', async () => {
    const fresh = await receiveTwo(ask, 900, 'E');
    const { jobs } = booking(fresh);
    const promise = async (asked: object[], promisedAt?: string): Promise<EarliestPromise> =>
      (await ask<EarliestPromise>('POST', '/day/promise', { jobs: asked, promisedAt })).body;
    const [job] = jobs;
    const one = { type: job!.type, planInput: job!.planInput, cuts: job!.cuts };
    const { at: soaked, cures } = await promise([one]);
    expect(Date.parse(soaked!)).toBeGreaterThan(now.getTime() + 90 * 60_000);
    expect(cures).toEqual([]);
    const early = await promise([one], now.toISOString());
    expect(early.at).toBe(soaked);
    const dry = early.cures.find(({ kind }) => kind === 'dry');
    expect(Date.parse(dry!.at)).toBeLessThan(Date.parse(soaked!));
    // What holds needs no cure.
    expect((await promise([one], soaked!)).cures).toEqual([]);
    expect(Date.parse((await promise([one, one, one])).at!)).toBeGreaterThan(Date.parse(soaked!));
    const coming = { ...one, cuts: [one.cuts[0]!, { layer: 'main', productId: fresh.main.product.id }] };
    expect(await promise([coming])).toEqual({ at: null, cures: [] });
    expect(codeOf(await ask('POST', '/day/promise', { jobs: [] }))).toBe('bad-request');
    // It was a question: nothing of it is there.
    expect((await day()).bags.some(({ number }) => number === 0)).toBe(false);
  });

  it('of a closed shop begins when it opens', async () => {
    now = new Date('2030-01-05T19:00:00.000Z');
    ask = await shop.as('Ada');
    const plan = await day();
    // The sixth is a Sunday.
    expect(plan.opensAt).toBe('2030-01-07T09:00:00.000Z');
    for (const { startAt } of plan.rows) expect(startAt >= '2030-01-07T09:00:00.000Z').toBe(true);
    expect(plan.broken).toBeGreaterThan(0);
  });

  it('is put in order from the beginning when it is asked for', async () => {
    const { body } = await ask<DayPlan>('PUT', '/day', {});
    expect(body.moved).toEqual([]);
    expect(idsOf(body).sort()).toEqual(idsOf(await day()).sort());
    expect((await ask('DELETE', '/day/operations')).status).toBe(200);
  });
});
