import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { codeOf } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open();
});
afterAll(() => shop.close());

/** Devices are told apart by what they call themselves, as addresses are: a test has one address. */
const tries = (name: string, agent: string, passcode = 'guess-me-not') =>
  shop.ask('POST', '/session', { name, passcode }, { 'user-agent': agent });

/** Signs in from another machine: the whole of 127.0.0.0/8 is this one's. */
const from = (localAddress: string, name: string, passcode: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(shop.address);
    const headers = { 'content-type': 'application/json' };
    const asked = request(
      { hostname, port, localAddress, headers, path: '/api/session', method: 'POST', agent: false },
      (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      },
    );
    asked.on('error', reject).end(JSON.stringify({ name, passcode }));
  });

describe('guessing at one person’s passcode', () => {
  it('is the same person’s whatever accents and capitals their name is typed with', async () => {
    const ways = ['Bo', 'bo', 'BO', 'Bö', 'Bó', 'bô', ' Bo', 'bØ'.replace('Ø', 'ò')];
    for (const name of ways) expect([name, (await tries(name, 'Mobile')).status]).toEqual([name, 401]);
    const one = await tries('Bõ', 'Mobile');
    expect([one.status, codeOf(one)]).toEqual([429, 'too-many-tries']);
    // Nobody else rests with them.
    expect((await tries('Ada', 'Mobile', 'right-passcode')).status).toBe(200);
  });

  it('from many machines is refused from all of them, but where that person was signed in lately', async () => {
    expect(await from('127.0.0.9', 'Ada', 'right-passcode')).toBe(200);
    const places = ['127.0.0.2', '127.0.0.3', '127.0.0.4', '127.0.0.5', '127.0.0.6'];
    const statuses: number[] = [];
    for (const place of places)
      for (let i = 0; i < 6; i++)
        statuses.push(await from(place, i % 2 ? 'Adá' : 'ada', `guess-${String(i)}`));
    expect(statuses.slice(0, 25)).toEqual(Array(25).fill(401));
    expect(statuses.slice(25)).toEqual(Array(5).fill(429));
    expect(await from('127.0.0.7', 'Ada', 'right-passcode')).toBe(429);
    // At her own bench she signs in all the same.
    expect(await from('127.0.0.9', 'Ada', 'right-passcode')).toBe(200);
  });
});
