import type { Fill, Piece, Reel, Run } from '@yard-spool/contract';
import { evidenceOfRun, foldRun, runUnderWay, settleFill } from '@yard-spool/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  FIRST_BENCH,
  numbered,
  receiveTwo,
  runOf,
  RUN_FACTS,
  wholeFill,
  PLAN_INPUT,
} from '../testing/bookings';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  pieces = await receiveTwo(ask, 3000);
});
afterAll(() => shop.close());

const pieceOf = async (code: string) =>
  (await ask<Piece[]>('GET', '/pieces')).body.find((piece) => piece.code === code)!;

describe('a run at the bench', () => {
  it('begins with its own first event, and a second start gives the same run', async () => {
    const run = await runOf(ask, pieces);
    expect(run.events).toMatchObject([
      { seq: 1, kind: 'started', by: 'Bo', payload: { bench: 'Bench 1', benchId: FIRST_BENCH } },
    ]);
    const again = await ask<Run>('POST', '/runs', { jobId: run.job.id, benchId: FIRST_BENCH });
    expect(again.body.id).toBe(run.id);
  });

  it('takes events once, however often they are sent', async () => {
    const run = await runOf(ask, pieces);
    const events = numbered(run, 1, [{ kind: 'turns', payload: { layer: 'backing', turns: 10 } }]);
    for (let i = 0; i < 3; i += 1) await ask('POST', `/runs/${run.id}/events`, { events });
    const { body } = await ask<Run>('GET', `/runs/${run.id}`);
    expect(body.events).toHaveLength(2);
    expect(body.events[1]!.by).toBe('Bo');
  });

  it('takes what comes behind events it has, sent with them, as long as nobody else went on meanwhile', async () => {
    const run = await runOf(ask, pieces);
    const send = async (events: object[]) => (await ask('POST', `/runs/${run.id}/events`, { events })).status;
    const [first, ...more] = numbered(
      run,
      1,
      [10, 5, 2, 1].map((turns) => ({ kind: 'turns', payload: { layer: 'backing', turns } })),
    ) as { seq: number }[];
    const after = (known: number, ...events: object[]) =>
      events.map((event, i) => ({ ...event, seq: known + 1 + i }));
    expect(await send([first!])).toBe(200);
    // Its answer was cut off: the sender knows nothing of it, or heard of it and has it still.
    expect(await send(after(1, first!, more[0]!))).toBe(200);
    expect(await send(after(3, first!, more[0]!, more[1]!))).toBe(200);
    // Somebody else went on.
    expect(await send(numbered(run, 4, [{ kind: 'step-done', payload: { step: 'strip' } }]))).toBe(200);
    expect(await send(after(3, more[1]!, more[2]!))).toBe(409);
    expect(await send(after(4, more[1]!, more[2]!))).toBe(409);
    expect(await send(after(5, more[1]!, more[2]!))).toBe(200);
    const { body } = await ask<Run>('GET', `/runs/${run.id}`);
    expect(body.events.map(({ seq }) => seq)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(body.events.flatMap(({ payload }) => ('turns' in payload ? payload.turns : []))).toEqual([
      10, 5, 2, 1,
    ]);
  });

  it('refuses a gap, a place that is taken, and kinds only the server writes, and keeps nothing of the batch', async () => {
    const run = await runOf(ask, pieces);
    const ten = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    const send = (events: object[]) => ask('POST', `/runs/${run.id}/events`, { events });
    expect((await send(numbered(run, 5, [ten]))).body.code).toBe('out-of-order');
    expect((await send(numbered(run, 0, [ten]))).body.code).toBe('out-of-order');
    expect(
      (await send([...numbered(run, 1, [ten]), ...numbered(run, 2, [{ kind: 'closed', payload: {} }])])).body
        .code,
    ).toBe('bad-request');
    expect(
      (await send(numbered(run, 1, [{ kind: 'turns', payload: { layer: 'backing', turns: 1e9 } }]))).status,
    ).toBe(400);
    expect((await ask<Run>('GET', `/runs/${run.id}`)).body.events).toHaveLength(1);
  });

  it('keeps one order when two benches append at once', async () => {
    const run = await runOf(ask, pieces);
    const ten = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    const sent = await Promise.all(
      [1, 2, 3, 4].map(() =>
        ask<Run & { code: string }>('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, [ten]) }),
      ),
    );
    expect(sent.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(sent.filter(({ body }) => body.code === 'out-of-order')).toHaveLength(3);
    expect((await ask<Run>('GET', `/runs/${run.id}`)).body.events.map(({ seq }) => seq)).toEqual([1, 2]);
  });

  it('keeps what somebody did while cut off as theirs, whoever is signed in when it is sent', async () => {
    const run = await runOf(ask, pieces);
    const ten = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    const [adas, nobodys] = numbered(run, 1, [ten, ten]);
    const events = [
      { ...adas!, by: 'Ada' },
      { ...nobodys!, by: 'Nobody here' },
    ];
    const { body } = await ask<{ events: Run['events'] }>('POST', `/runs/${run.id}/events`, { events });
    expect(body.events.map(({ seq, by }) => [seq, by])).toEqual([
      [2, 'Ada'],
      [3, 'Bo'],
    ]);
    expect((await ask<Run>('GET', `/runs/${run.id}`)).body.events.slice(1)).toEqual(body.events);
    const rows = await shop.context.tables.runEvents.findAll({ where: { runId: run.id }, order: ['seq'] });
    expect(rows.map(({ sentById }) => sentById)).toEqual([null, 2, null]);
  });

  it('is told what was added, and nothing where all of it was there', async () => {
    const run = await runOf(ask, pieces);
    const ten = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
    const send = (events: object[]) =>
      ask<{ events: object[] }>('POST', `/runs/${run.id}/events`, { events });
    const [first, second] = numbered(run, 1, [ten, ten]);
    expect((await send([first!])).body.events).toHaveLength(1);
    expect((await send([first!, second!])).body.events).toMatchObject([{ id: second!.id, seq: 3 }]);
    expect((await send([first!, second!])).body.events).toEqual([]);
  });

  it('cannot be closed while steps are left', async () => {
    const run = await runOf(ask, pieces);
    const { status, body } = await ask('POST', `/runs/${run.id}/close`, {});
    expect([status, body.code]).toEqual([409, 'not-finished']);
  });
});

describe('closing a run', () => {
  it('writes reel, rack and log so that they agree to the millimetre', async () => {
    const own = await receiveTwo(ask, 900, 'CLOSE');
    const run = await runOf(ask, own);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    const before = await pieceOf('CLOSE-26');
    const { body: fill } = await ask<Fill>('POST', `/runs/${run.id}/close`, {});

    const { body: closed } = await ask<Run>('GET', `/runs/${run.id}`);
    const state = foldRun(RUN_FACTS, closed.events);
    const settled = settleFill(evidenceOfRun(closed.job.planInput, RUN_FACTS, state, run.pieces));
    if (!settled.ok) throw new Error('This fill can be settled.');
    expect(fill.layers.map(({ lengthMm }) => lengthMm)).toEqual(
      settled.value.layers.map(({ length }) => Math.round(length.value * 1000)),
    );
    // Count and depths agree here, so the best estimate is near what the count alone comes to.
    const { wound } = runUnderWay(PLAN_INPUT, RUN_FACTS, state)!;
    wound.forEach(({ length }, i) => {
      expect(Math.abs(fill.layers[i]!.lengthMm / 1000 / length - 1)).toBeLessThan(0.005);
      expect(fill.layers[i]!.likelyMm[0]).toBeLessThan(fill.layers[i]!.lengthMm);
      expect(fill.layers[i]!.restsOn).toEqual(['hand-count', 'depth']);
    });
    expect(fill.gapRead).toBe(1.6);

    const after = await pieceOf('CLOSE-26');
    expect(before.lengthMm - after.lengthMm).toBe(fill.layers[1]!.lengthMm + 2000);
    expect(after.promisedMm).toBe(0);
    const { body: reel } = await ask<Reel>('GET', `/reels/${closed.job.tag}`);
    expect(reel.fills[0]).toEqual(fill);
    expect(reel.waiting).toBeNull();
    expect(closed.state).toBe('closed');
    expect(closed.events.at(-1)?.kind).toBe('closed');
  });

  it('draws the line once, even when closed three times at once', async () => {
    const own = await receiveTwo(ask, 900, 'ONCE');
    const run = await runOf(ask, own);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    const fills = await Promise.all([1, 2, 3].map(() => ask<Fill>('POST', `/runs/${run.id}/close`, {})));
    expect(new Set(fills.map(({ body }) => body.id)).size).toBe(1);
    const moves = (await ask<{ moves: object[] }>('GET', '/pieces/ONCE-26')).body.moves;
    expect(moves).toHaveLength(3);
  });

  it('takes nothing more once closed', async () => {
    const run = await runOf(ask, await receiveTwo(ask, 900, 'DONE'));
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
    const { body: closed } = await ask<Run>('GET', `/runs/${run.id}`);
    const late = numbered(run, closed.events.length, [
      { kind: 'turns', payload: { layer: 'main', turns: 10 } },
    ]);
    expect((await ask('POST', `/runs/${run.id}/events`, { events: late })).body.code).toBe('already-closed');
  });
});
