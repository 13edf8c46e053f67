import type { Bag, CutsPlan, CutTried, LineOrder, Piece } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { codeOf, receive, type Ask } from '../testing/rack';
import { said } from '../testing/said';
import { soakNothing } from '../testing/cutting';
import { planOfCuts } from '../testing/plan-of-cuts';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let pieces: { backing: Piece; main: Piece };
const now = new Date('2030-01-02T09:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await soakNothing(ask);
  pieces = await receiveTwo(ask, 900);
  // The main has line for one reel of 120 m.
  await shop.force(({ tables }) => tables.pieces.changeAll({ lengthMm: 130_000 }, { id: pieces.main.id }));
});
afterAll(() => shop.close());

const plan = (): Promise<CutsPlan> => planOfCuts(ask);
const book = async (promisedAt: string, waits: boolean): Promise<Bag['jobs'][number]> => {
  const body = booking(pieces, { promisedAt });
  const [backing] = body.jobs[0]!.cuts;
  const cuts = [
    backing,
    { layer: 'main', ...(waits ? { productId: pieces.main.product.id } : { pieceId: pieces.main.id }) },
  ];
  const answer = await ask<Bag>('POST', '/bags', { ...body, jobs: [{ ...body.jobs[0], cuts }] });
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body));
  return answer.body.jobs[0]!;
};
const mainOf = ({ layers }: CutsPlan, jobId: number) =>
  layers.find((one) => one.jobId === jobId && one.layer === 'main')!;

describe('line on order', () => {
  let soon: Bag['jobs'][number];
  let later: Bag['jobs'][number];
  beforeAll(async () => {
    later = await book('2030-01-20T16:00:00.000Z', false);
    soon = await book('2030-01-03T16:00:00.000Z', true);
    const order = { productId: pieces.main.product.id, lengthMm: 300_000, count: 1, minor: null };
    const { status } = await ask<LineOrder[]>('POST', '/orders', { ...order, expectedOn: '2030-01-10' });
    expect(status).toBe(200);
  });

  it('is a piece with a date: who is promised later waits for it, and who is promised sooner has the piece', async () => {
    const found = await plan();
    expect(found.planned.unserved).toBe(0);
    expect(mainOf(found, soon.id)).toMatchObject({ now: null, planned: pieces.main.code, comes: false });
    expect(mainOf(found, later.id)).toMatchObject({ now: pieces.main.code, comes: true });
    const coming = found.pieces.find(({ comesAt }) => comesAt !== null)!;
    expect(coming.offs.map(({ jobId }) => jobId)).toEqual([later.id]);
    expect(coming).toMatchObject({ place: '10 Jan', freeMm: 300_000, leftMm: 178_000 });
    const [shortage] = found.shortages;
    expect(shortage).toMatchObject({ jobId: later.id, layer: 'main' });
    expect(shortage!.cures.map((cure) => said(cure)).join()).toMatch(
      /300.m .*here by 10 Jan: in time for it/,
    );
  });

  it('can be asked for to see what it costs, and not kept on before it is here', async () => {
    const { code } = (await plan()).pieces.find(({ comesAt }) => comesAt !== null)!;
    const asked = { jobId: later.id, layer: 'main', piece: code };
    const { body } = await ask<CutTried>('POST', '/cuts/try', asked);
    expect(body.with).toMatchObject({ unserved: 0 });
    expect(codeOf(await ask('POST', '/cuts/try', { ...asked, piece: 'order 999, 1' }))).toBe('not-found');
    expect(codeOf(await ask('POST', '/cuts/try', { ...asked, layer: 'backing' }))).not.toBe(200);
    expect(codeOf(await ask('PUT', '/cuts/pin', asked))).not.toBe(200);
  });

  it('is promised to nobody by an accepted plan: that reel waits for it', async () => {
    const { revision } = await plan();
    expect((await ask<CutsPlan>('POST', '/cuts/accept', { revision })).status).toBe(200);
    const cutOf = async (jobId: number) =>
      (await shop.context.tables.cuts.findAll({ where: { jobId, layer: 'main' } }))[0]!.pieceId;
    expect(await cutOf(soon.id)).toBe(pieces.main.id);
    expect(await cutOf(later.id)).toBeNull();
    // Nothing more to change: it waits already.
    const again = await plan();
    expect(mainOf(again, later.id)).toMatchObject({ now: null, comes: true });
    expect(codeOf(await ask('POST', '/cuts/accept', { revision: again.revision }))).toBe('already-closed');
  });

  it('that is there is cut from at once', async () => {
    await receive(ask, 'COME-1', 300, { product: { id: pieces.main.product.id } });
    const found = await plan();
    expect(mainOf(found, later.id)).toMatchObject({ planned: 'COME-1', comes: false });
  });
});
