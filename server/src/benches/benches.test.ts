import type { Bench, HouseChange, Run, Tub } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { FIRST_BENCH, receiveTwo, runOf } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
let bo: typeof ada;
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  bo = await shop.as('Bo');
});
afterAll(() => shop.close());

const DEVICE = { name: 'reed-1', address: '127.0.0.1:4711', counts: 'handle-turns', per: 1 };
const BENCH = { name: 'Window bench', spanMm: 1500, hand: 'right', devices: [DEVICE] };

describe('a bench', () => {
  it('is set up, changed on the version looked at, and every change is kept', async () => {
    const { body: bench } = await ada<Bench>('POST', '/benches', BENCH);
    expect(bench).toMatchObject(BENCH);
    const moved = { ...BENCH, spanMm: 1800, version: bench.version };
    expect((await ada<Bench>('PUT', `/benches/${bench.id}`, moved)).body.spanMm).toBe(1800);
    expect((await ada('PUT', `/benches/${bench.id}`, moved)).body.code).toBe('stale-version');
    const [latest] = (await bo<HouseChange[]>('GET', '/house-rules/changes')).body;
    expect(said(latest!.was)).toContain('1.5 m free');
    expect(said(latest!.is)).toContain('1.8 m free');
  });

  it.each([
    [{ spanMm: 50 }, 'spanMm'],
    [{ devices: [{ ...DEVICE, address: 'somewhere' }] }, 'devices.0.address'],
    [{ devices: [{ ...DEVICE, per: 0 }] }, 'devices.0.per'],
    [{ name: '' }, 'name'],
  ])('refuses %j', async (wrong, path) => {
    const refused = await ada('POST', '/benches', { ...BENCH, name: 'Odd', ...wrong });
    expect([refused.status, refused.body.errors?.[0]?.path]).toEqual([400, path]);
  });

  it('is a manager’s to set up, one of a name', async () => {
    expect((await bo('POST', '/benches', { ...BENCH, name: 'Mine' })).body.code).toBe('not-allowed');
    expect((await ada('POST', '/benches', BENCH)).body.code).toBe('already-exists');
  });

  it('is not taken away while a reel is on it', async () => {
    await runOf(ada, await receiveTwo(ada, 900, 'BENCH'));
    expect((await ada('DELETE', `/benches/${FIRST_BENCH}`)).body.code).toBe('not-finished');
    await shop.force(({ tables }) => tables.runs.changeAll({ state: 'closed' }, {}));
    expect((await ada('DELETE', `/benches/${FIRST_BENCH}`)).status).toBe(200);
    expect((await ada<Bench[]>('GET', '/benches')).body.map(({ name }) => name)).toEqual(['Window bench']);
  });

  it('is there always: the last one stays, and one that was taken away comes back by its name', async () => {
    const [bench] = (await ada<Bench[]>('GET', '/benches')).body;
    expect((await ada('DELETE', `/benches/${bench!.id}`)).body.code).toBe('last-bench');
    const back = { name: 'Bench 1', spanMm: 2000, hand: 'left', devices: [] };
    expect((await ada<Bench>('POST', '/benches', back)).body).toMatchObject({ ...back, id: FIRST_BENCH });
  });

  it('keeps its reels when it is renamed, and has no counter that counts elsewhere', async () => {
    const run = await runOf(ada, await receiveTwo(ada, 900, 'NAMED'));
    const bench = (await ada<Bench[]>('GET', '/benches')).body.find(({ id }) => id === FIRST_BENCH)!;
    await ada('PUT', `/benches/${FIRST_BENCH}`, { ...bench, name: 'Door bench' });
    expect((await ada<Run>('GET', `/runs/${run.id}`)).body.bench).toBe('Door bench');
    expect((await ada('DELETE', `/benches/${FIRST_BENCH}`)).body.code).toBe('not-finished');
    const doubled = { ...bench, name: 'Door bench', version: bench.version + 1, devices: [DEVICE] };
    expect((await ada('PUT', `/benches/${FIRST_BENCH}`, doubled)).body.code).toBe('already-exists');
    // However its address is spelled; another port is another device, and a name nobody knows now may be one.
    for (const [address, code] of [
      ['localhost:4711', 'already-exists'],
      ['127.0.0.2:4711', 'already-exists'],
      ['127.0.0.1:04711', 'already-exists'],
      ['no-such-counter.invalid:4711', undefined],
      ['localhost:4712', undefined],
    ] as const) {
      const { version } = (await ada<Bench[]>('GET', '/benches')).body.find(({ id }) => id === FIRST_BENCH)!;
      const asked = { ...doubled, version, devices: [{ ...DEVICE, address }] };
      const { body } = await ada<{ code?: string }>('PUT', `/benches/${FIRST_BENCH}`, asked);
      expect([address, body.code]).toEqual([address, code]);
    }
  });
});

describe('a tub', () => {
  it('is renamed, and taken away only when it is empty; by its name it comes back', async () => {
    const { id } = (await ada<Tub>('POST', '/tubs', { name: 'Old' })).body;
    await ada('PUT', `/tubs/${id}`, { name: 'New' });
    const { main } = await receiveTwo(ada, 300, 'TUB');
    const soaked = (await ada<Tub>('POST', `/tubs/${id}/soaks`, { code: main.code })).body;
    expect((await ada('DELETE', `/tubs/${id}`)).body.code).toBe('in-the-water');
    await ada('POST', `/soaks/${soaked.soaks[0]!.id}/out`, {});
    expect((await bo('DELETE', `/tubs/${id}`)).body.code).toBe('not-allowed');
    await ada('DELETE', `/tubs/${id}`);
    expect((await ada<Tub[]>('GET', '/tubs')).body).toEqual([]);
    expect((await ada<Tub>('POST', '/tubs', { name: 'New' })).body.id).toBe(id);
  });
});
