import type { Bag, CutsPlan, CutTried, LayerOfPlan, Piece } from '@yard-spool/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { booking } from '../testing/bookings';
import { codeOf, type Ask } from '../testing/rack';
import { said } from '../testing/said';
import { cleared, ofOneLine, plannedOn, soakNothing } from '../testing/cutting';
import { planOfCuts } from '../testing/plan-of-cuts';
import { TestShop } from '../testing/test-shop';
import { revisionOf } from './found-cuts';
import type { GatheredCuts } from './gather-cuts';

let shop: TestShop;
let ask: Ask;
let now = new Date('2030-01-02T09:00:00.000Z');
let made = 0;
/** Lines of its own for each test: what another booked asks for nothing of them. */
let main: (metres: number, more?: object) => Promise<Piece>;
let backing: (metres: number, more?: object) => Promise<Piece>;
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await soakNothing(ask);
});
afterAll(() => shop.close());
beforeEach(async () => {
  await cleared(shop);
  made += 1;
  const of = (line: string, diameter: number) => {
    const receives = ofOneLine(ask, line, diameter);
    return (metres: number, more?: object) => receives(`C${made}-${diameter * 100}-${metres}`, metres, more);
  };
  main = of(`M${made}`, 0.26);
  backing = of(`B${made}`, 0.25);
});

const plannedWith = (from: { main: Piece; backing: Piece }) =>
  plannedOn(from.backing.product, from.main.product);
/** Books a reel that wants 120 m of main; of none where no piece is given. */
async function book(from: { main: Piece; backing: Piece }, waits = false): Promise<Bag['jobs'][number]> {
  const planInput = plannedWith(from);
  const cuts = [
    { layer: 'backing', pieceId: from.backing.id },
    waits ? { layer: 'main', productId: from.main.product.id } : { layer: 'main', pieceId: from.main.id },
  ];
  const body = booking(from, { promisedAt: '2030-01-03T16:00:00.000Z' });
  const answer = await ask<Bag>('POST', '/bags', { ...body, jobs: [{ ...body.jobs[0], planInput, cuts }] });
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body));
  return answer.body.jobs[0]!;
}
/** Two counter reels of one bag; the second waits for its main. */
async function bookTwo(from: { main: Piece; backing: Piece }): Promise<Bag> {
  const planInput = plannedWith(from);
  const waits = { layer: 'main', productId: from.main.product.id };
  const on = { layer: 'backing', pieceId: from.backing.id };
  const body = booking(from, { promisedAt: '2030-01-03T16:00:00.000Z' });
  const reel = { ...body.jobs[0], type: 'trolling', planInput };
  const cuts = [on, { layer: 'main', pieceId: from.main.id }];
  const answer = await ask<Bag>('POST', '/bags', {
    ...body,
    jobs: [
      { ...reel, cuts },
      { ...reel, cuts: [on, waits] },
    ],
  });
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body));
  return answer.body;
}
const plan = (): Promise<CutsPlan> => planOfCuts(ask);
const layer = ({ layers }: CutsPlan, jobId: number, of = 'main'): LayerOfPlan =>
  layers.find((one) => one.jobId === jobId && one.layer === of)!;
const accept = async () => ask<CutsPlan>('POST', '/cuts/accept', { revision: (await plan()).revision });
const mainOf = async (jobId: number) => {
  const cuts = await shop.context.tables.cuts.findAll({ where: { jobId, layer: 'main' } });
  return cuts[0]!.pieceId;
};

describe('a plan of cuts', () => {
  it('feeds a reel that waits by moving another, and is booked once it is accepted', async () => {
    const b = await backing(900);
    const long = await main(245);
    const remnant = await main(130, { kind: 'remnant' });
    const first = await book({ main: long, backing: b });
    // 245 m hold two; the first took one of them, and the remnant is as good for it.
    const second = await book({ main: long, backing: b });
    const third = await book({ main: long, backing: b }, true);
    const found = await plan();
    expect(found.now.unserved).toBe(1);
    expect(found.planned.unserved).toBe(0);
    expect(found.open).toEqual([]);
    expect([first, second, third].map(({ id }) => layer(found, id).planned).sort()).toEqual(
      [long.code, long.code, remnant.code].sort(),
    );
    const rest = found.pieces.find(({ code }) => code === remnant.code)!;
    expect(rest).toMatchObject({ leftMm: 8000, tailsMm: 2000, isScrap: true });

    const accepted = await accept();
    expect(accepted.body).toMatchObject({ now: { unserved: 0 }, saved: { plans: 1 } });
    expect(new Set([await mainOf(first.id), await mainOf(second.id), await mainOf(third.id)])).toEqual(
      new Set([long.id, remnant.id]),
    );
    const bag = (await ask<Bag>('GET', `/bags/${third.position >= 0 ? layer(found, third.id).bag : 0}`)).body;
    expect(said(bag.history[0]!.what)).toMatch(/main is cut from/);
    // Nothing is left to do, and the same is not done twice.
    expect(codeOf(await accept())).toBe('already-closed');
  });

  it('says that it is not proven while a better one is looked for, and is accepted by its own cuts alone', async () => {
    const b = await backing(900);
    const long = await main(245);
    await book({ main: long, backing: b });
    const { body } = await ask<CutsPlan>('GET', '/cuts');
    expect([body.looking, body.open]).toEqual([true, [{ level: 'unserved', gap: null }]]);
    expect((await plan()).open).toEqual([]);
    const found = { key: 'k', gathered: {} as GatheredCuts, cuts: [], open: [] };
    const other = [{ job: 'j', main: { piece: 'p', lengthMm: 1 }, backing: [] }];
    expect(revisionOf({ ...found, cuts: other })).not.toBe(revisionOf(found));
  });

  it('leaves what is booked where nothing is better', async () => {
    const b = await backing(400);
    const one = await main(400);
    const two = await main(390);
    const { id } = await book({ main: one, backing: b });
    expect(layer(await plan(), id)).toMatchObject({ now: one.code, planned: one.code });
    expect(two.code).not.toBe(one.code);
  });

  it('that changed since it was looked at is not accepted', async () => {
    const b = await backing(400);
    const one = await main(130);
    await main(140);
    await book({ main: one, backing: b });
    const { revision } = await plan();
    await book({ main: one, backing: b }, true);
    expect(codeOf(await ask('POST', '/cuts/accept', { revision }))).toBe('stale-version');
    expect(codeOf(await ask('POST', '/cuts/accept', { revision: 'x' }))).toBe('stale-version');
  });

  it('says what lacks, and what would cure it', async () => {
    const b = await backing(400);
    const one = await main(110);
    const { id } = await book({ main: one, backing: b }, true);
    const found = await plan();
    const [shortage] = found.shortages.filter(({ jobId }) => jobId === id);
    expect(said(shortage!.what)).toMatch(/No piece has 120.m/);
    expect(shortage!.cures.map((cure) => said(cure)).join(' ')).toMatch(
      /110.m left over.*Order at least 122.m/,
    );
  });

  it('cuts a shorter main where its customer accepts one, and plans its backing again', async () => {
    const b = await backing(400);
    const one = await main(110);
    const { id } = await book({ main: one, backing: b }, true);
    const least = (leastMm: number | null) => ask<CutsPlan>('PUT', '/cuts/least', { jobId: id, leastMm });
    expect(codeOf(await least(130_000))).toBe('bad-request');
    expect(codeOf(await least(100_000))).toBe(200);
    const found = await plan();
    expect(layer(found, id)).toMatchObject({ planned: one.code, givenMm: 110_000, leastMm: 100_000 });
    const before = layer(found, id, 'backing').givenMm;
    expect((await accept()).status).toBe(200);
    const rows = await shop.context.tables.cuts.findAll({ where: { jobId: id }, order: ['layer'] });
    expect(rows[1]!.lengthMm).toBe(110_000);
    // What the plan said of the backing is what its own plan comes to, to a metre.
    expect(Math.abs(rows[0]!.lengthMm - before)).toBeLessThan(1000);
    const job = await shop.context.tables.jobs.findByPk(id);
    expect(job!.planInput.request.layers[1]).toMatchObject({ length: 110 });
  });
});

it('cuts counters of one bag from one lot', async () => {
  const b = await backing(900);
  const one = await main(130, { lot: 'A', kind: 'remnant' });
  const two = await main(300, { lot: 'B' });
  await bookTwo({ main: one, backing: b });
  const found = await plan();
  expect(found.layers.filter(({ matches }) => matches).map(({ planned }) => planned)).toEqual([
    two.code,
    two.code,
  ]);
});

describe('a piece asked for by hand', () => {
  it('is tried with what it costs, kept, and taken back', async () => {
    const b = await backing(400);
    const one = await main(200, { kind: 'remnant' });
    const sealed = await main(300);
    const { id } = await book({ main: one, backing: b });
    await plan();
    const asked = { jobId: id, layer: 'main', piece: sealed.code };
    const tried = (await ask<CutTried>('POST', '/cuts/try', asked)).body;
    expect([tried.planned.opened, tried.with!.opened]).toEqual([1, 2]);
    expect(layer(await plan(), id).planned).toBe(one.code);
    await ask('PUT', '/cuts/pin', asked);
    const pinned = await plan();
    expect(layer(pinned, id)).toMatchObject({ planned: sealed.code, pinned: true });
    expect(said(pinned.moved.find(({ jobId }) => jobId === id)!.why)).toBe('Asked for by hand');
    await ask('PUT', '/cuts/pin', { ...asked, piece: null });
    expect(layer(await plan(), id)).toMatchObject({ planned: one.code, pinned: false });
  });

  it('is refused where it is no piece of that line', async () => {
    const b = await backing(400);
    const one = await main(200);
    const salvage = await main(190, { kind: 'salvage' });
    const { id } = await book({ main: one, backing: b });
    const on = async (piece: string, layerOf = 'main') =>
      codeOf(await ask('POST', '/cuts/try', { jobId: id, layer: layerOf, piece }));
    expect(await on(b.code)).toBe('bad-request');
    expect(await on(salvage.code)).toBe('bad-request');
    expect(await on('NO-SUCH')).toBe('not-found');
    expect(await on(one.code, 'top')).toBe('not-found');
  });
});

it('moves when a piece has less than it had, and says so', async () => {
  const b = await backing(400);
  const one = await main(180, { kind: 'remnant' });
  const two = await main(170, { kind: 'remnant' });
  const { id } = await book({ main: one, backing: b });
  await plan();
  await shop.force(({ tables }) => tables.pieces.changeAll({ lengthMm: 100_000 }, { id: one.id }));
  now = new Date(now.getTime() + 60_000);
  const found = await plan();
  expect(layer(found, id).planned).toBe(two.code);
  expect(said(found.moved.find(({ jobId }) => jobId === id)!.why)).toMatch(/80.m less than before/);
});
