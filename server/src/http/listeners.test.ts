import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';
import { Listeners } from './listeners';

describe('streams of what happens live', () => {
  it('are so many to a session and so many to a person, and free again once they end', () => {
    const listeners = new Listeners();
    const open = Array.from({ length: 20 }, () => listeners.enter('a', 1));
    expect(() => listeners.enter('a', 1)).toThrow('Too many windows');
    open[0]!();
    open[0]!();
    const again = listeners.enter('a', 1);
    expect(() => listeners.enter('a', 1)).toThrow('Too many windows');
    for (const session of ['b', 'c']) for (let i = 0; i < 20; i++) listeners.enter(session, 1);
    expect(() => listeners.enter('d', 1)).toThrow('Too many windows');
    expect(() => listeners.enter('e', 2)).not.toThrow();
    again();
    expect(() => listeners.enter('d', 1)).not.toThrow();
  });
});

describe('five hundred streams from one session', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await TestShop.open();
  });
  afterAll(() => shop.close());

  it('are twenty and a sentence; others are served, and its place is free when they close', async () => {
    const mine = await shop.cookieOf('Bo');
    const other = await shop.as('Ada');
    const leave = new AbortController();
    const open = () =>
      fetch(`${shop.address}/api/live?runs=1:0`, { headers: { cookie: mine }, signal: leave.signal });
    const answers = await Promise.all(Array.from({ length: 500 }, open));
    const listening = answers.filter(({ status }) => status === 200);
    expect(listening).toHaveLength(20);
    const refused = answers.find(({ status }) => status !== 200)!;
    expect([refused.status, await refused.json()]).toMatchObject([429, { code: 'too-many-tries' }]);
    expect((await other('GET', '/bags?group=waiting')).status).toBe(200);
    expect(shop.context.notifier.listenerCount('sessions')).toBe(20);
    leave.abort();
    for (let tries = 0; shop.context.notifier.listenerCount('sessions') > 0 && tries < 1000; tries++)
      await new Promise((resolve) => setImmediate(resolve));
    const again = new AbortController();
    const fresh = await fetch(`${shop.address}/api/live?runs=1:0`, {
      headers: { cookie: mine },
      signal: again.signal,
    });
    expect(fresh.status).toBe(200);
    again.abort();
  });
});
