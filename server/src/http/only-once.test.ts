import { makesOnce, api, ONCE_HEADER, type RecyclingBook } from '@yard-spool/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { askedOnce } from '../context/once';
import { TestShop, ADA } from '../testing/test-shop';
import { unit } from '../context/unit';

const NYLON = { stream: 'nylon', grams: 10, tubes: 1, piece: null };
let shop: TestShop;
let bo: string;
let ada: string;
let key: string;
beforeAll(async () => {
  shop = await TestShop.open();
  bo = await shop.cookieOf('Bo');
  ada = await shop.cookieOf('Ada');
});
beforeEach(() => void (key = crypto.randomUUID()));
afterAll(() => shop.close());

const ask = (body: object, of = bo, withKey: string | null = key) =>
  shop.ask<RecyclingBook & { code?: string; detail?: string }>('POST', '/recycling', body, {
    cookie: of,
    ...(withKey === null ? {} : { [ONCE_HEADER]: withKey }),
  });
const entries = async () => shop.context.tables.recyclings.count();

describe('a request that makes something', () => {
  it('sent again makes nothing again, and is answered as it was', async () => {
    const before = await entries();
    const first = await ask(NYLON);
    expect(first.status).toBe(200);
    // Something else happens between: the answer is still the first one's.
    expect((await ask({ ...NYLON, grams: 3 }, bo, null)).status).toBe(200);
    const again = await ask(NYLON);
    expect([again.status, again.body]).toEqual([200, first.body]);
    expect(again.headers.get('content-type')).toBe(first.headers.get('content-type'));
    expect(await entries()).toBe(before + 2);
  });

  it('sent many times at once makes one entry', async () => {
    const before = await entries();
    const answers = await Promise.all(Array.from({ length: 12 }, () => ask(NYLON)));
    expect(new Set(answers.map(({ status, body }) => JSON.stringify([status, body]))).size).toBe(1);
    expect(answers[0]!.status).toBe(200);
    expect(await entries()).toBe(before + 1);
  });

  it('without a key, with another, or of somebody else makes its own', async () => {
    const before = await entries();
    for (const withKey of [null, null, key, crypto.randomUUID()]) await ask(NYLON, bo, withKey);
    await ask(NYLON, ada);
    expect(await entries()).toBe(before + 5);
  });

  it('that was refused may be asked again with the same key, put right', async () => {
    const refused = await ask({ ...NYLON, piece: 'NOT-THERE' });
    expect([refused.status, refused.body.code]).toEqual([404, 'not-found']);
    const before = await entries();
    expect((await ask(NYLON)).status).toBe(200);
    expect(await entries()).toBe(before + 1);
  });

  it('is refused with a key that was sent with another, or is none', async () => {
    await ask(NYLON);
    const before = await entries();
    const other = await ask({ ...NYLON, grams: 11 });
    expect([other.status, other.body.detail]).toEqual([
      400,
      'This key was sent with another request. Send a new one.',
    ]);
    for (const none of ['short', 'x'.repeat(65), 'a key with spaces in it'])
      expect((await ask(NYLON, bo, none)).status).toBe(400);
    expect(await entries()).toBe(before);
  });

  it('whose answer was cut off by the server’s end is told that it was asked before', async () => {
    await ask(NYLON);
    await shop.force(({ tables }) => tables.answeredRequests.changeAll({ reply: null }, {}));
    const before = await entries();
    const again = await ask(NYLON);
    expect([again.status, again.body.code]).toEqual([409, 'already-exists']);
    expect(again.body.detail).toContain('Look before you ask again');
    expect(await entries()).toBe(before);
  });

  it('under way on two servers at once is made by one', async () => {
    const before = await shop.context.tables.tubs.count();
    const make = () =>
      askedOnce({ keyHash: 'a'.repeat(64), askedHash: 'b'.repeat(64), kept: false }, () =>
        unit(shop.context, ADA, async ({ tables }) => {
          await tables.tubs.create({ name: `Tub ${crypto.randomUUID().slice(0, 8)}` });
        }),
      );
    const made = await Promise.allSettled([make(), make(), make()]);
    expect(made.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await shop.context.tables.tubs.count()).toBe(before + 1);
  });
});

describe('every POST of the contract', () => {
  it('makes something once, or is one of those that make nothing twice', () => {
    const posts = Object.values(api).filter(({ method }) => method === 'POST');
    const without = posts.filter((one) => !makesOnce(one)).map(({ path }) => path);
    expect(without.sort()).toEqual([
      '/calendar',
      '/cuts/try',
      '/day/promise',
      '/day/try',
      '/house-rules/preview',
      '/paper',
      '/people/:id/passcode',
      '/people/:id/second-step',
      '/runs/:id/events',
      '/session',
      '/session/again',
      '/sign-in/first',
      '/sign-in/shop-file',
    ]);
    expect(makesOnce({ method: 'POST', path: '/runs/12/events' })).toBe(false);
    expect(makesOnce({ method: 'POST', path: '/fills/12/marks' })).toBe(true);
    expect(makesOnce({ method: 'PUT', path: '/pieces/P-1' })).toBe(false);
  });
});
