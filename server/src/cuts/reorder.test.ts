import type { Bag, CutsPlan, LineOrder, Piece, Reorder, ReorderLine } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking } from '../testing/bookings';
import { codeOf, receive, type Ask } from '../testing/rack';
import { said } from '../testing/said';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let pieces: { backing: Piece; main: Piece };
const now = new Date('2030-01-02T09:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  const line = (code: string, diameter: number) => ({
    code,
    name: `Test nylon ${diameter}`,
    material: 'nylon',
    diameter,
    strengthKg: null,
    tint: '#aabbcc',
  });
  pieces = {
    backing: await receive(ask, 'P-25', 700, { product: line('T-25', 0.25) }),
    main: await receive(ask, 'P-26', 130, { product: line('T-26', 0.26), priceMinor: 500 }),
  };
});
afterAll(() => shop.close());

const lineOf = async (code: string): Promise<ReorderLine> =>
  (await ask<Reorder>('GET', '/reorder')).body.lines.find(({ product }) => product.code === code)!;

describe('what to order', () => {
  it('is nothing where all is there and nothing was used', async () => {
    expect(await lineOf('T-26')).toMatchObject({ lacksMm: 0, needMm: 0, packs: [] });
    expect((await ask<string>('GET', '/order-file')).body).not.toContain('T-26');
  });

  it('is what a reel that waits lacks, as packs that are long enough for it', async () => {
    const body = booking(pieces);
    const waits = [body.jobs[0]!.cuts[0], { layer: 'main', productId: pieces.main.product.id }];
    const { status } = await ask<Bag>('POST', '/bags', {
      ...body,
      jobs: [body.jobs[0], { ...body.jobs[0], cuts: waits }],
    });
    expect(status).toBe(200);

    await receive(ask, 'P-27', 100, { product: { id: pieces.main.product.id }, priceMinor: 300 });
    const line = await lineOf('T-26');
    expect(line).toMatchObject({ lacksMm: 122_000, longestLackMm: 122_000 });
    // What is left over is no unbroken main: the shorter pack is cheaper and no help.
    expect(line.packs).toEqual([{ lengthMm: 130_000, count: 1, minor: 500 }]);
  });

  it('goes out as a table and as a paper', async () => {
    const file = await ask<string>('GET', '/order-file');
    expect(file.headers.get('content-disposition')).toMatch(/yard-spool-order-2030-01-02\.csv/);
    expect(file.body).toContain('T-26,Test nylon 0.26,130,1,5.00,5.00');
    expect((await ask('GET', '/paper?what=order-list&of=to-order')).status).toBe(200);
    expect(codeOf(await ask('GET', '/paper?what=order-list&of=today'))).toBe('bad-request');
    expect(codeOf(await shop.ask('GET', '/order-file'))).toBe('not-signed-in');
  });

  it('is not ordered twice: what is on order is told where it is lacking, until it comes', async () => {
    const order = { productId: pieces.main.product.id, lengthMm: 130_000, count: 1, minor: 500 };
    const add = (more: object) => ask<LineOrder[]>('POST', '/orders', { ...order, ...more });
    expect(codeOf(await add({ expectedOn: '2030-01-01' }))).toBe('bad-request');
    expect(codeOf(await add({ expectedOn: '2030-01-02', productId: 99_999 }))).toBe('not-found');
    const [made] = (await add({ expectedOn: '2030-01-02' })).body;
    const cures = async () =>
      (await ask<CutsPlan>('GET', '/cuts')).body.shortages.flatMap((one) =>
        one.cures.map((cure) => said(cure)),
      );
    // It is promised for the afternoon of that day, and the order may come until its end.
    expect((await cures()).join()).toMatch(/130.m of Test nylon 0.26 are on order, here by 2 Jan: too late/);
    expect(await lineOf('T-26')).toMatchObject({ onOrderMm: 130_000, longestLackMm: 0, packs: [] });
    const done = (how: string) => ask('POST', `/orders/${made!.id}/done`, { how });
    expect((await done('cancelled')).body).toEqual([]);
    expect(codeOf(await done('come'))).toBe('already-closed');
    expect((await cures()).join()).toMatch(/Order at least 122.m/);
  });

  it('is as much as the weeks before took, and more where they were uneven', async () => {
    const used = async (weeksAgo: number, mm: number) =>
      shop.force(({ tables }) =>
        tables.moves.create({
          pieceId: pieces.backing.id,
          at: new Date(now.getTime() - (weeksAgo + 0.5) * 7 * 86_400_000),
          byId: 1,
          kind: 'filled',
          lengthMm: -mm,
          why: '',
        }),
      );
    for (let week = 0; week < 12; week += 1) await used(week, 200_000);
    const even = await lineOf('T-25');
    expect(even.expectedMm).toBe(800_000);
    expect(even.lasts).toBe(0);
    await used(3, 600_000);
    const uneven = await lineOf('T-25');
    expect(uneven.needMm - uneven.expectedMm).toBeGreaterThan(even.needMm - even.expectedMm);
    expect(uneven.lasts).toBeGreaterThan(0);
  });
});
