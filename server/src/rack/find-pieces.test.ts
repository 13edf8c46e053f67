import type { Page, Piece } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { codeOf, lineOf, rackOf, receive, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
const now = new Date('2031-03-10T08:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
});
afterAll(() => shop.close());

describe('looking for pieces', () => {
  const codes = async (query: string): Promise<string[]> =>
    (await rackOf(ask, query)).map(({ code }) => code);

  beforeAll(async () => {
    await receive(ask, 'LF-1', 100, { product: lineOf('LF-SMOKE', { name: 'Smoke nylon 0.30' }), lot: 'L9' });
    await receive(ask, 'LF-2', 100, {
      product: lineOf('LF-BRAID', { name: 'Moss braid' }),
      place: 'Drawer 4',
    });
    await receive(ask, 'LF-0', 100, { product: lineOf('LF-OLD', { name: 'Smoke nylon 100 %' }) });
    await ask('POST', '/pieces/LF-0/write-off', { why: 'Brittle' });
  });

  it('finds by every word typed, in code, line, lot or place', async () => {
    expect(await codes('find=lf-smoke')).toEqual(['LF-1']);
    expect(await codes('find=l9%20lf-1')).toEqual(['LF-1']);
    expect(await codes('find=moss%20drawer')).toEqual(['LF-2']);
    expect(await codes('find=smoke%20drawer')).toEqual([]);
  });

  it('finds what was let go when it is looked for, after the rest', async () => {
    expect(await codes('find=lf-')).toEqual(['LF-1', 'LF-2', 'LF-0']);
    expect(await codes('')).not.toContain('LF-0');
    expect((await ask<Piece[]>('GET', '/pieces')).body.some(({ code }) => code === 'LF-0')).toBe(false);
  });

  it('takes what is typed letter for letter', async () => {
    expect(await codes('find=100%20%25')).toEqual(['LF-0']);
    expect(await codes('find=L__1')).toEqual([]);
    expect(await codes('find=lf1')).toEqual(['LF-1']);
    expect(await codes('find=LF-01')).toEqual(['LF-1']);
  });

  it('keeps to one kind, and knows no other', async () => {
    expect(await codes('kind=pack&find=lf-')).toEqual([]);
    expect(await codes('kind=bulk&find=lf-')).toHaveLength(3);
    expect(codeOf(await ask('GET', '/rack?kind=string'))).toBe('bad-request');
  });

  it('comes page by page, each piece once and in order', async () => {
    await shop.force(async (u) => {
      const row = await u.tables.pieces.findOne({ where: { code: 'LF-1' } });
      const like = row!.get({ plain: true });
      await u.tables.pieces.createAll(
        Array.from({ length: 130 }, (_, i) => ({ ...like, id: undefined, code: `PG-${String(1000 + i)}` })),
      );
    });
    const found = await codes('find=pg-');
    expect(found).toHaveLength(130);
    expect(found).toEqual([...new Set(found)].sort());
    const { body } = await ask<Page<Piece>>('GET', '/rack?find=pg-');
    expect(body.rows.length).toBeLessThan(130);
    expect(codeOf(await ask('GET', '/rack?after=behind'))).toBe('bad-request');
  });
});
