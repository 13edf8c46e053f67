import type { Bag, CustomerReel, Piece, ReelKind } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import { codeOf, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Ask;
let bo: Ask;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Ada');
  bo = await shop.as('Bo');
  pieces = await receiveTwo(ask, 20_000, 'C');
});
afterAll(() => shop.close());

const book = async (more: object = {}): Promise<Bag> =>
  (await ask<Bag>('POST', '/bags', booking(pieces, more))).body;
const read = async ({ number }: Bag): Promise<Bag> => (await ask<Bag>('GET', `/bags/${number}`)).body;
const promised = async (): Promise<number[]> =>
  (await ask<Piece[]>('GET', '/pieces')).body.map(({ promisedMm }) => promisedMm);
const cuts = () => [
  { layer: 'backing', pieceId: pieces.backing.id },
  { layer: 'main', pieceId: pieces.main.id },
];
const withMain = (length: number) => ({
  ...PLAN_INPUT,
  request: {
    ...PLAN_INPUT.request,
    layers: PLAN_INPUT.request.layers.map((layer) => (layer.id === 'main' ? { ...layer, length } : layer)),
  },
});

describe('a bag', () => {
  it('remembers who did what to it, newest first', async () => {
    const bag = await book();
    const change = {
      version: bag.version,
      promisedAt: '2030-02-02T10:00:00.000Z',
      notes: 'leave at the pier',
    };
    const { body } = await bo<Bag>('PUT', `/bags/${bag.number}`, change);
    expect(body).toMatchObject({ version: 2, notes: 'leave at the pier', promisedAt: change.promisedAt });
    expect(body.history.map(({ by, what }) => [by, what])).toEqual([
      ['Bo', 'Promised for another time, Notes changed'],
      ['Ada', 'Booked in'],
    ]);
  });

  it('changed by two people at once keeps the first change and tells the second', async () => {
    const bag = await book();
    const change = { version: bag.version, promisedAt: bag.promisedAt, notes: 'first' };
    expect((await ask('PUT', `/bags/${bag.number}`, change)).status).toBe(200);
    const late = await bo('PUT', `/bags/${bag.number}`, { ...change, notes: 'second' });
    expect(codeOf(late)).toBe('stale-version');
    expect(late.body.detail).toContain('What you typed is still here');
    expect((await read(bag)).notes).toBe('first');
  });

  it('called off gives its promised line back', async () => {
    const before = await promised();
    const bag = await book();
    expect(await promised()).not.toEqual(before);
    const { body } = await ask<Bag>('POST', `/bags/${bag.number}/cancel`, {
      version: 1,
      why: 'sold the boat',
    });
    expect(body.jobs[0]).toMatchObject({ state: 'cancelled', cuts: [] });
    expect(body.history[0]!.what).toBe('Cancelled: sold the boat');
    expect(await promised()).toEqual(before);
    expect(codeOf(await ask('POST', `/bags/${bag.number}/cancel`, { version: 2, why: 'again' }))).toBe(
      'already-closed',
    );
    const toBench = await ask('POST', '/runs', { jobId: body.jobs[0]!.id, benchId: FIRST_BENCH });
    expect(codeOf(toBench)).toBe('already-closed');
  });
});

describe('one reel of a bag', () => {
  it('is planned again, with the line promised before given back', async () => {
    const bag = await book();
    const before = await promised();
    const [job] = bag.jobs;
    const wants = {
      leastMm: 90_000,
      leader: '3 m of 0.50',
      dragKg: 2,
      onItNow: 'old braid',
      mainFirst: false,
    };
    const { body } = await ask<Bag>('PUT', `/jobs/${job!.id}`, {
      version: bag.version,
      label: 'Test 3000, shallow',
      type: 'baitcaster',
      planInput: withMain(100),
      cuts: cuts(),
      wants,
    });
    expect(body.jobs[0]).toMatchObject({
      wants,
      planInput: withMain(100),
      label: 'Test 3000, shallow',
      type: 'baitcaster',
    });
    const [backing, main] = body.jobs[0]!.cuts;
    expect(main!.lengthMm).toBe(100_000);
    // 20 m less of 0.26 leave room for 21.6 m more of 0.25, on the spool a baitcaster is believed to have.
    const backingOver = (metres: number): number => {
      const made = makePlan({ ...withMain(metres), beliefs: { type: 'baitcaster' } });
      return made.ok ? made.value.plan.layers[0]!.length.value : NaN;
    };
    expect(backingOver(100) - backingOver(120)).toBeCloseTo(21.6, 1);
    expect(backing!.lengthMm / 1000).toBeCloseTo(backingOver(100), 2);
    const more = backing!.lengthMm + main!.lengthMm - job!.cuts[0]!.lengthMm - job!.cuts[1]!.lengthMm;
    expect((await promised()).reduce((a, b) => a + b) - before.reduce((a, b) => a + b)).toBe(more);
  });

  it('keeps its plan where the new one does not work or finds no line', async () => {
    const bag = await book();
    const [job] = bag.jobs;
    const asked = {
      version: bag.version,
      label: job!.label,
      type: job!.type,
      planInput: withMain(900),
      cuts: cuts(),
    };
    expect(codeOf(await ask('PUT', `/jobs/${job!.id}`, asked))).toBe('plan-does-not-work');
    const strange = {
      ...asked,
      planInput: withMain(80),
      cuts: [{ layer: 'main', pieceId: pieces.backing.id }],
    };
    expect(codeOf(await ask('PUT', `/jobs/${job!.id}`, strange))).toBe('bad-request');
    expect((await read(bag)).jobs[0]).toEqual(job);
    expect((await read(bag)).version).toBe(1);
  });

  it('goes from the bench to be checked, ready and handed back, and no other way', async () => {
    const bag = await book();
    const [job] = bag.jobs;
    const move = async (to: string, undo = false) => {
      const { version } = await read(bag);
      return ask<Bag>('POST', `/jobs/${job!.id}/state`, { version, to, undo });
    };
    expect(codeOf(await move('ready'))).toBe('already-closed');
    const run = (await ask<{ id: number }>('POST', '/runs', { jobId: job!.id, benchId: FIRST_BENCH })).body;
    const { version } = await read(bag);
    expect(codeOf(await ask('POST', `/jobs/${job!.id}/cancel`, { version, why: 'too late' }))).toBe(
      'already-closed',
    );
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run as never, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
    expect((await read(bag)).jobs[0]!.state).toBe('to-check');
    expect(codeOf(await move('handed-back'))).toBe('already-closed');
    expect((await move('ready')).body.jobs[0]!.state).toBe('ready');
    await move('handed-back');
    expect((await move('ready', true)).body.jobs[0]!.state).toBe('ready');
    expect(codeOf(await move('ready', true))).toBe('already-closed');
    expect(codeOf(await move('handed-back', true))).toBe('bad-request');
    const { body } = await move('handed-back');
    expect(body.jobs[0]!.state).toBe('handed-back');
    expect(body.history.map(({ what }) => said(what).replace(/R-\d+/, 'R'))).toEqual([
      'R handed back',
      'R is checked and ready again',
      'R handed back',
      'R checked and ready',
      'R was filled',
      'Booked in',
    ]);
  });

  it('that was cancelled is booked again as it was, unless its line went to others meanwhile', async () => {
    const bag = await book();
    const before = await promised();
    const cancelled = await ask<Bag>('POST', `/bags/${bag.number}/cancel`, { version: 1, why: 'a slip' });
    const again = (version: number) =>
      ask<Bag>('POST', `/bags/${bag.number}/restore`, { version, jobs: bag.jobs.map(({ id }) => id) });
    const { version } = cancelled.body;
    const { body } = await again(version);
    expect(body.jobs).toEqual(bag.jobs);
    expect([await promised(), body.history[0]!.what]).toEqual([before, 'Booked again, as it was']);
    expect(codeOf(await again(body.version))).toBe('already-closed');
    await ask('POST', `/bags/${bag.number}/cancel`, { version: body.version, why: 'not a slip' });
    const { code, lengthMm } = pieces.main;
    await ask('POST', `/pieces/${code}/count`, { lengthMm: 50_000, anyway: true });
    expect(codeOf(await again(body.version + 1))).toBe('not-enough-line');
    await ask('POST', `/pieces/${code}/count`, { lengthMm });
  });

  it('may have spools of its own beside the one it came with', async () => {
    const jobs = booking(pieces).jobs;
    const bag = await book({ jobs: [...jobs, { ...jobs[0], tag: 'TWO-1', spool: 'shallow' }] });
    expect(bag.jobs.map(({ spool }) => spool)).toEqual(['own', 'shallow']);
    await ask('POST', `/bags/${bag.number}/cancel`, { version: bag.version, why: 'not today' });
    const again = await book({
      customer: { id: bag.customer.id },
      jobs: [{ ...jobs[0], tag: 'TWO-1', spool: 'shallow' }],
    });
    expect(again.jobs[0]!.tag).toBe('TWO-1');
    expect(await shop.context.tables.spools.count({ where: { name: 'shallow' } })).toBe(1);
  });
});

describe('a spare spool', () => {
  it('belongs to the reel that stands before it in the bag, new as it is', async () => {
    const [job] = booking(pieces).jobs;
    const bag = await book({ jobs: [job, { ...job, spool: 'spare', sameReelAs: 0 }] });
    expect(bag.jobs[0]!.tag).toBe(bag.jobs[1]!.tag);
    expect(bag.jobs.map(({ spool }) => spool)).toEqual(['own', 'spare']);
  });

  it('of no reel, or called like the first, is refused and nothing is booked', async () => {
    const [job] = booking(pieces).jobs;
    const before = (await ask<{ rows: unknown[] }>('GET', '/bags')).body.rows.length;
    for (const odd of [{ sameReelAs: 1 }, { sameReelAs: 5 }, { sameReelAs: 0, spool: 'own' }]) {
      const jobs = [job, { ...job, spool: 'spare', ...odd }];
      expect(codeOf(await ask('POST', '/bags', booking(pieces, { jobs })))).toBe('bad-request');
    }
    expect((await ask<{ rows: unknown[] }>('GET', '/bags')).body.rows).toHaveLength(before);
  });
});

describe('what the shop has had before', () => {
  it('is told by tag: whose reel it is, and how it was filled last', async () => {
    const bag = await book({ customer: { name: 'Tagged Before', contact: 'berth 3' } });
    const { tag } = bag.jobs[0]!;
    const { body } = await ask<{ customer: object; reel: CustomerReel }>('GET', `/reels/${tag}/last`);
    expect(body.customer).toMatchObject({ name: 'Tagged Before' });
    expect(body.reel).toMatchObject({ tag, last: { planInput: PLAN_INPUT } });
    expect(codeOf(await ask('GET', '/reels/R-9999/last'))).toBe('not-found');
  });

  it('is told by customer: the reel, and how it was filled last', async () => {
    const bag = await book({ customer: { name: 'Came Before', contact: '' } });
    const { body } = await ask<CustomerReel[]>('GET', `/customers/${bag.customer.id}/reels`);
    expect(body).toHaveLength(1);
    expect(body[0]).toMatchObject({
      tag: bag.jobs[0]!.tag,
      label: 'Test 3000',
      last: { spool: 'own', planInput: PLAN_INPUT },
    });
    expect(body[0]!.last!.cuts.map(({ pieceCode }) => pieceCode)).toEqual(['C-25', 'C-26']);
  });

  it('grows into the reel book, kind by kind', async () => {
    const kinds = async (): Promise<ReelKind[]> => (await ask<ReelKind[]>('GET', '/reel-kinds')).body;
    const jobs = booking(pieces).jobs;
    await book({ jobs: [{ ...jobs[0], label: 'Kind A' }] });
    const depth = { kind: 'depth', layers: [], depth: 8, by: 'eye' };
    const measured = [...PLAN_INPUT.observations.slice(0, 2), { kind: 'width', width: 16.5 }, depth];
    await book({
      jobs: [{ ...jobs[0], label: 'Kind A', planInput: { ...PLAN_INPUT, observations: measured } }],
    });
    const kind = (await kinds()).find(({ label }) => label === 'Kind A')!;
    expect(kind.timesSeen).toBe(2);
    // The lip of the first, the width of the second, and no depth: that is of one spool.
    expect(kind.observations.map((one) => one.kind).sort()).toEqual(['lip', 'rating', 'rating', 'width']);
    const changed = await ask<ReelKind>('PUT', `/reel-kinds/${kind.id}`, { ...kind, label: 'Kind A, deep' });
    expect(changed.body).toMatchObject({ label: 'Kind A, deep', version: kind.version + 1 });
    expect(codeOf(await ask('PUT', `/reel-kinds/${kind.id}`, kind))).toBe('stale-version');
    await book({ jobs: [{ ...jobs[0], label: 'Kind B' }] });
    const other = (await kinds()).find(({ label }) => label === 'Kind B')!;
    const merged = await ask<ReelKind>('POST', `/reel-kinds/${other.id}/merge`, { into: kind.id });
    expect(merged.body).toMatchObject({ label: 'Kind A, deep', timesSeen: 3 });
    expect((await kinds()).some(({ id }) => id === other.id)).toBe(false);
    expect(codeOf(await ask('POST', `/reel-kinds/${kind.id}/merge`, { into: kind.id }))).toBe('bad-request');
  });
});
