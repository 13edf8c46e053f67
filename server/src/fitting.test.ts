import { UNREAD_HEADER, type Bench, type PieceWithLedger, type ReelKind } from '@yard-spool/contract';
import * as v from 'valibot';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { lineOf, receive, type Ask } from './testing/rack';
import { TestShop } from './testing/test-shop';
import { withoutUnfit } from './fitting';

const RowSchema = v.object({ code: v.string(), at: v.pipe(v.number(), v.minValue(0)) });

describe('a list with a row that does not fit', () => {
  it('is all the others, and says which is missing and why, whole or as a page', () => {
    const rows = [
      { code: 'A', at: 1 },
      { code: 'B', at: -1 },
      { code: 'C', at: 2 },
    ];
    const unfit = [{ key: 'code B', field: 'at' }];
    expect(withoutUnfit(v.array(RowSchema), rows)).toEqual({ reply: [rows[0], rows[2]], unfit });
    const page = v.object({ rows: v.array(RowSchema), next: v.nullable(v.string()) });
    expect(withoutUnfit(page, { rows, next: 'C' })).toEqual({
      reply: { rows: [rows[0], rows[2]], next: 'C' },
      unfit,
    });
  });

  it('is none where it is no list, or what is around the rows does not fit', () => {
    expect(withoutUnfit(RowSchema, { code: 'B', at: -1 })).toBeNull();
    const page = v.object({ rows: v.array(RowSchema), next: v.string() });
    expect(withoutUnfit(page, { rows: [], next: 7 })).toBeNull();
    expect(withoutUnfit(v.array(RowSchema), null)).toBeNull();
  });
});

describe('books with something that cannot be told', () => {
  let shop: TestShop;
  let ask: Ask;
  beforeAll(async () => {
    shop = await TestShop.open();
    ask = await shop.as('Ada');
  });
  afterAll(() => shop.close());

  it('are read without it, and the answer says how many are missing', async () => {
    const bench = { name: 'Second', spanMm: 1500, hand: 'right', pedal: '', devices: [] };
    await ask('POST', '/benches', bench);
    // As an older version, or a hand in the tables, may have left it.
    const devices = [{ name: '' }] as never;
    await shop.force(({ tables }) => tables.benches.changeAll({ devices }, { name: 'Second' }));
    const { status, body, headers } = await ask<Bench[]>('GET', '/benches');
    expect([status, headers.get(UNREAD_HEADER)]).toEqual([200, '1']);
    expect(body.map(({ name }) => name)).toEqual(['Bench 1']);
    const kinds = await ask<ReelKind[]>('GET', '/reel-kinds');
    expect([kinds.status, kinds.headers.get(UNREAD_HEADER)]).toEqual([200, null]);
  });

  it('show a line whose maker’s words cannot be read, and take new ones', async () => {
    await receive(ask, 'FIT-1', 100, { product: lineOf('FIT-L') });
    const maker = { soakHours: 999 } as never;
    await shop.force(({ tables }) => tables.products.changeAll({ maker }, { code: 'FIT-L' }));
    const piece = async () => (await ask<PieceWithLedger>('GET', '/pieces/FIT-1')).body.piece;
    const before = await piece();
    expect([before.unread, before.product.maker]).toEqual([['maker'], undefined]);
    const words = { soakHours: 2, labelSide: null, strength: '', diameter: '', says: '' };
    const { status } = await ask('PUT', `/products/${String(before.product.id)}/maker`, words);
    expect(status).toBe(200);
    const after = await piece();
    expect([after.unread, after.product.maker]).toEqual([undefined, words]);
  });
});
