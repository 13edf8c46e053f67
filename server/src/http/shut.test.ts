import type { Bag, Piece, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { writeEvents, type ToLog } from '../bench/run-log';
import { booking, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ada: Ask;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  pieces = await receiveTwo(ada, 5000);
});
afterAll(() => shop.close());

/** A request as no page of ours makes it. */
const raw = async (path: string, init: RequestInit): Promise<[number, string]> => {
  const response = await fetch(`${shop.address}/api${path}`, init);
  return [response.status, ((await response.json()) as { code: string }).code];
};
const bags = (): Promise<number> => shop.context.tables.bags.count();

describe('what cannot be read is refused in our words, and is never the server’s fault', () => {
  it('another charset, another packing, another kind of cookie', async () => {
    const cookie = await shop.cookieOf('Ada');
    const ask = (headers: Record<string, string>) =>
      raw('/bags', {
        method: 'POST',
        body: '{}',
        headers: { cookie, 'content-type': 'application/json', ...headers },
      });
    expect(await ask({ 'content-type': 'application/json; charset=iso-8859-1' })).toEqual([
      400,
      'bad-request',
    ]);
    expect(await ask({ 'content-encoding': 'brr' })).toEqual([400, 'bad-request']);
    const [name = ''] = cookie.split('=');
    expect(await ask({ cookie: `${name}=j:{"a":1}` })).toEqual([401, 'not-signed-in']);
    expect(await ask({ cookie: `${name}=%E0%A4%A` })).toEqual([401, 'not-signed-in']);
  });

  it('the cookie of another shop on this host, which has a name of its own', async () => {
    const other = await TestShop.open();
    try {
      const theirs = await other.cookieOf('Ada');
      const ours = await shop.cookieOf('Ada');
      expect(theirs.split('=')[0]).not.toBe(ours.split('=')[0]);
      // A browser sends both to either.
      const both = { cookie: `${theirs}; ${ours}` };
      expect((await shop.ask('GET', '/session', undefined, both)).status).toBe(200);
      expect((await other.ask('GET', '/session', undefined, both)).status).toBe(200);
      expect((await shop.ask('GET', '/session', undefined, { cookie: theirs })).status).toBe(401);
    } finally {
      await other.close();
    }
  });

  it('numbers nobody counts to, days that are none, ports beyond the last', async () => {
    const long = '9'.repeat(400);
    for (const path of [`/bags/${long}`, `/runs/${long}`, `/jobs/${long}`, '/pieces/N-1?asOf=2031-02-30'])
      expect([path, (await ada('GET', path)).status]).toEqual([path, 400]);
    for (const promisedAt of [
      '2031-02-30T10:00:00.000Z',
      '2031-01-01T25:00:00.000Z',
      '99999-01-01T00:00:00.000Z',
    ])
      expect((await ada('POST', '/bags', { ...booking(pieces), promisedAt })).status).toBe(400);
    const device = { name: 'x', address: '127.0.0.1:99999', counts: 'metres', per: 1 };
    const bench = { name: 'Far', spanMm: 1500, hand: 'right', devices: [device] };
    expect((await ada('POST', '/benches', bench)).status).toBe(400);
    const outside = { ...bench, devices: [{ ...device, address: '203.0.113.9:80' }] };
    const { status, body } = await ada('POST', '/benches', outside);
    expect([status, body.detail]).toEqual([400, expect.stringContaining('own network')]);
  });

  it('a file larger than any, and one of many rows, while others are served', async () => {
    const asked = { what: 'products', format: 'csv', preview: true };
    const large = await ada('POST', '/rack-files', { ...asked, base64: 'QUJD'.repeat(900_000) });
    expect(large.status).toBe(200);
    expect((await ada('POST', '/rack-files', { ...asked, base64: 'A'.repeat(8_400_000) })).status).toBe(400);
  });

  it('a stranger’s megabytes are refused before they are read', async () => {
    const body = JSON.stringify({ name: 'x'.repeat(5000) });
    const headers = { 'content-type': 'application/json' };
    expect(await raw('/bags', { method: 'POST', body: 'not JSON', headers })).toEqual([401, 'not-signed-in']);
    expect(await raw('/session', { method: 'POST', body, headers })).toEqual([400, 'bad-request']);
  });

  it('lines by the hundred in one plan, and names every object has', async () => {
    const before = await bags();
    const asked = booking(pieces) as unknown as {
      jobs: { planInput: { observations: object[]; request: { layers: object[] } } }[];
    };
    const many = structuredClone(asked);
    many.jobs[0]!.planInput.observations = Array.from({ length: 12 }, (_, i) => ({
      kind: 'depth',
      depth: 3,
      by: 'eye',
      layers: Array.from({ length: 40 }, (__, j) => ({
        line: { key: `l${i}-${j}`, material: 'nylon', diameter: 0.2 },
        length: 2,
      })),
    }));
    expect((await ada('POST', '/bags', many)).status).toBe(400);
    for (const id of ['constructor', '__proto__', 'toString']) {
      const named = JSON.parse(JSON.stringify(asked).replaceAll('"id":"main"', `"id":"${id}"`)) as object;
      expect([id, (await ada('POST', '/bags', named)).status]).toEqual([id, 400]);
    }
    expect(await bags()).toBe(before);
  });
});

describe('a booking', () => {
  it('sent again with something else under its key is refused, and the first one stands', async () => {
    const asked = { ...booking(pieces), key: crypto.randomUUID() };
    const first = await ada<Bag>('POST', '/bags', asked);
    expect((await ada<Bag>('POST', '/bags', asked)).body.number).toBe(first.body.number);
    const other = await ada('POST', '/bags', { ...asked, notes: 'another one' });
    expect([other.status, other.body.code]).toEqual([409, 'already-exists']);
    expect((await ada<Bag>('GET', `/bags/${first.body.number}`)).body.notes).toBe(first.body.notes);
  });
});

describe('what goes into a log', () => {
  it('is of this fill, of its steps, and no more than any reel takes', async () => {
    const { body: bag } = await ada<Bag>('POST', '/bags', booking(pieces));
    const { body: run } = await ada<{ id: number; events: unknown[] }>('POST', '/runs', {
      jobId: bag.jobs[0]!.id,
      benchId: 1,
    });
    const sendAll = async (happened: { kind: string; payload: object }[]) => {
      const { status, body } = await ada('POST', `/runs/${run.id}/events`, {
        events: numbered(run as never, run.events.length, happened),
      });
      return [status, body.detail] as const;
    };
    const send = (kind: string, payload: object) => sendAll([{ kind, payload }]);
    const said = (sentence: RegExp): unknown[] => [400, expect.stringMatching(sentence)];
    expect(await send('turns', { layer: 'elsewhere', turns: 3 })).toEqual(said(/no layer/));
    const turns = { kind: 'turns', payload: { layer: 'main', turns: 16_000 } };
    expect(await sendAll([turns, turns])).toEqual(said(/No reel takes/));
    expect(await send('metres', { layer: 'main', metres: 1e15 })).toEqual([400, expect.anything()]);
    const metres = { kind: 'metres', payload: { layer: 'main', metres: 16_000 } };
    expect(await sendAll([metres, metres])).toEqual(said(/No reel takes/));
    const note = (values: object) => send('noted', { step: 'strip', values });
    expect(await note({ to: 'bin', material: 'nylon', grams: -5 })).toEqual(said(/from 0 to 5000/));
    expect(await note({ to: 'bin', material: 'nylon', grams: 1e8 })).toEqual([400, expect.anything()]);
    expect(await note({ to: 'rack', line: 'T-25', metres: 200_000 })).toEqual(said(/from 1 to 5000/));
    expect(await note({ to: 'the sea' })).toEqual(said(/choose one/));
    expect(await note({ secret: 'x' })).toEqual(said(/Nothing called/));
    expect(await send('noted', { step: 'constructor', values: {} })).toEqual([400, expect.anything()]);
    expect(await shop.context.tables.runEvents.count({ where: { runId: run.id } })).toBe(run.events.length);
  });

  it('and if it got there all the same, the reel is not closed: nothing of it is written', async () => {
    const { body: bag } = await ada<Bag>('POST', '/bags', booking(pieces));
    const { body: run } = await ada<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: 1 });
    const whole = wholeFill();
    const end = whole.findIndex(
      ({ kind, payload }) => kind === 'step-done' && JSON.stringify(payload).includes('wind-main'),
    );
    const poison = { kind: 'metres' as const, payload: { layer: 'main', metres: 19_999 } };
    const log = [...whole.slice(0, end), ...Array.from({ length: 50 }, () => poison), ...whole.slice(end)];
    await shop.force((u) => writeEvents(u, run.id, run.events.length, log as ToLog[]));
    const sums = async () => {
      const { fills, moves, pieces: rack, fillLayers } = shop.context.tables;
      return [
        await fills.count(),
        await moves.count(),
        await fillLayers.count(),
        await rack.findAll({ order: ['id'] }),
      ];
    };
    const before = JSON.stringify(await sums());
    expect((await ada('POST', `/runs/${run.id}/close`, {})).status).toBeLessThan(500);
    expect(JSON.stringify(await sums())).toBe(before);
    for (const path of ['/pieces', '/runs', `/bags/${bag.number}`, '/reorder', `/runs/${run.id}`])
      expect([path, (await ada('GET', path)).status]).toEqual([path, 200]);
  });
});
