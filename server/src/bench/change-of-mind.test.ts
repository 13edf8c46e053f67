import type { Bag, BagRow, Fill, OpenRun, Page, Piece, Reel, Run } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import {
  FIRST_BENCH,
  halfWay,
  numbered,
  PLAN_INPUT,
  receiveTwo,
  runOf,
  wholeFill,
} from '../testing/bookings';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

let shop: TestShop;
let bo: Awaited<ReturnType<TestShop['as']>>;
inShop('Bo', (opened) => ({ shop, ask: bo } = opened));

const piece = async (code: string): Promise<Piece> =>
  (await bo<{ piece: Piece }>('GET', `/pieces/${code}`)).body.piece;
const bagOf = async (run: Run): Promise<Bag> => (await bo<Bag>('GET', `/bags/${String(run.bagNumber)}`)).body;
const send = (run: Run, after: number, happenings: { kind: string; payload: object }[]) =>
  bo<{ detail?: string }>('POST', `/runs/${String(run.id)}/events`, {
    events: numbered(run, after, happenings),
  });
const close = async (run: Run): Promise<Fill> =>
  (await bo<Fill>('POST', `/runs/${String(run.id)}/close`, {})).body;
describe('another piece in mid-run', () => {
  it('this much comes off one and that much off the other, and the reel’s record says so', async () => {
    const pieces = await receiveTwo(bo, 400, 'ONE');
    const { main: other } = await receiveTwo(bo, 300, 'TWO');
    const run = await runOf(bo, pieces);
    const changed = { layer: 'main', pieceId: other.id, code: other.code, usedUp: false };
    await send(run, 1, halfWay([{ kind: 'piece-changed', payload: changed }]));
    const fill = await close(run);
    const mains = fill.layers.filter(({ id }) => id === 'main');
    expect(mains.map(({ pieceCode }) => pieceCode)).toEqual(['ONE-26', 'TWO-26']);
    const [first, second] = mains.map(({ lengthMm }) => lengthMm);
    expect(first! + second!).toBeGreaterThan(115_000);
    // Half of the turns bring in less than half of the line: the spool is thinner then.
    expect(first!).toBeLessThan(second!);
    expect(first!).toBeGreaterThan(0.8 * second!);
    expect(mains[0]!.outerRadius).toBeCloseTo(mains[1]!.innerRadius, 9);
    expect(400_000 - (await piece('ONE-26')).lengthMm - 2000).toBe(first);
    expect(300_000 - (await piece('TWO-26')).lengthMm - 2000).toBe(second);
  });

  it('a piece that ran out has nothing left, whatever the books said', async () => {
    const pieces = await receiveTwo(bo, 400, 'OUT');
    const { main: other } = await receiveTwo(bo, 300, 'NEXT');
    const run = await runOf(bo, pieces);
    const changed = { layer: 'main', pieceId: other.id, code: other.code, usedUp: true };
    await send(run, 1, halfWay([{ kind: 'piece-changed', payload: changed }]));
    await close(run);
    expect((await piece('OUT-26')).lengthMm).toBe(0);
    expect((await piece('NEXT-26')).lengthMm).toBeLessThan(245_000);
  });

  it('stripped back before, all of it comes off the piece that is mounted then', async () => {
    const pieces = await receiveTwo(bo, 400, 'BACK');
    const { main: other } = await receiveTwo(bo, 300, 'AGAIN');
    const run = await runOf(bo, pieces);
    const changed = { layer: 'main', pieceId: other.id, code: other.code, usedUp: false };
    const turns = wholeFill().find(
      ({ payload }) => (payload as { layer?: string }).layer === 'main' && 'turns' in payload,
    )!;
    await send(
      run,
      1,
      halfWay([
        { kind: 'restarted', payload: { layer: 'main', why: 'other' } },
        { kind: 'piece-changed', payload: changed },
        {
          kind: 'turns',
          payload: { layer: 'main', turns: Math.round((turns.payload as { turns: number }).turns / 2) },
        },
      ]),
    );
    const fill = await close(run);
    const lengths = fill.layers.filter(({ id, lengthMm }) => id === 'main' && lengthMm > 0);
    expect(lengths.map(({ pieceCode }) => pieceCode)).toEqual(['AGAIN-26']);
    expect((await piece('BACK-26')).lengthMm).toBe(400_000);
  });

  it('mounted all along, it alone gives the line, and the record shows no join and its lot', async () => {
    const pieces = await receiveTwo(bo, 400, 'WAS');
    const { main: other } = await receiveTwo(bo, 300, 'IS');
    const run = await runOf(bo, pieces);
    const payload = { layer: 'main', pieceId: other.id, code: other.code, usedUp: false, allAlong: true };
    await send(run, 1, halfWay([{ kind: 'piece-changed', payload }]));
    const mains = (await close(run)).layers.filter(({ id }) => id === 'main');
    expect(mains.map(({ pieceCode }) => pieceCode)).toEqual(['IS-26']);
    expect((await piece('WAS-26')).lengthMm).toBe(400_000);
    expect(300_000 - (await piece('IS-26')).lengthMm - 2000).toBe(mains[0]!.lengthMm);
  });

  it('of another line, mounted all along: the record tells that line', async () => {
    const pieces = await receiveTwo(bo, 400, 'LNA');
    const run = await runOf(bo, pieces);
    const { product } = await piece('LNA-25');
    const line = { key: product.code, material: product.material, diameter: product.diameter };
    const changed = { layer: 'main', pieceId: pieces.backing.id, code: 'LNA-25', usedUp: false };
    const wrong = { ...changed, allAlong: true, line: { ...line, diameter: 0.4 } };
    expect((await send(run, 1, [{ kind: 'piece-changed', payload: wrong }])).status).toBe(400);
    await send(run, 1, halfWay([{ kind: 'piece-changed', payload: { ...changed, allAlong: true, line } }]));
    const main = (await close(run)).layers.find(({ id }) => id === 'main')!;
    expect(main).toMatchObject({ pieceCode: 'LNA-25', line, lineName: product.name });
    expect((await piece('LNA-26')).lengthMm).toBe(400_000);
  });

  it('of another line is refused, and so is one that is not there', async () => {
    const pieces = await receiveTwo(bo, 400, 'NOT');
    const run = await runOf(bo, pieces);
    const changed = (pieceId: number) => [
      { kind: 'piece-changed', payload: { layer: 'main', pieceId, code: 'X', usedUp: false } },
    ];
    const other = await send(run, 1, changed(pieces.backing.id));
    expect(other.status).toBe(400);
    expect(other.body.detail).toMatch(/another line than this layer/);
    expect((await send(run, 1, changed(99_999))).status).toBe(404);
  });
});

describe('given up', () => {
  const begun = async (prefix: string): Promise<Run> => {
    const run = await runOf(bo, await receiveTwo(bo, 400, prefix));
    const until = wholeFill().findIndex(
      ({ payload }) => (payload as { step?: string }).step === 'wind-backing',
    );
    await send(
      run,
      1,
      wholeFill()
        .slice(0, until)
        .filter(({ kind }) => kind !== 'depth-read'),
    );
    return run;
  };
  const giveUp = (run: Run, line: string) =>
    bo<{ detail?: string }>('POST', `/runs/${String(run.id)}/give-up`, { why: 'not braid after all', line });

  it('the line goes back on its piece, and the reel waits to be planned again', async () => {
    const run = await begun('GB');
    expect((await giveUp(run, 'back')).status).toBe(200);
    expect(await piece('GB-25')).toMatchObject({ lengthMm: 400_000 });
    const bag = await bagOf(run);
    expect(bag.jobs[0]).toMatchObject({ state: 'booked', runId: null });
    expect(bag.history[0]!.what).toContain('cancelled at the bench: not braid after all');
    const again = await bo<Run>('POST', '/runs', { jobId: run.job.id, benchId: FIRST_BENCH });
    expect(again.status).toBe(200);
    expect(again.body.id).not.toBe(run.id);
    expect(again.body.events).toHaveLength(1);
    // In every list it is one reel, on its second run.
    const { rows } = (await bo<Page<BagRow>>('GET', '/bags')).body;
    expect(rows.find(({ number }) => number === bag.number)!.jobs).toMatchObject([{ runId: again.body.id }]);
    const { waiting } = (await bo<Reel>('GET', `/reels/${run.job.tag}`)).body;
    expect(waiting).toMatchObject({ runId: again.body.id });
    const turns = await bo<Fill>('POST', `/runs/${String(run.id)}/close`, {});
    expect(turns.status).toBe(409);
  });

  it('or to salvage: off its piece, on to the rack, what was wound of it', async () => {
    const run = await begun('GS');
    await giveUp(run, 'salvage');
    const left = (await piece('GS-25')).lengthMm;
    const salvage = await piece(`S-R${String(run.id)}`);
    expect(salvage).toMatchObject({ kind: 'salvage', product: { code: 'T-25' } });
    expect(left + salvage.lengthMm).toBe(400_000);
    const made = makePlan(PLAN_INPUT);
    const planned = made.ok ? made.value.plan.layers[0]!.length.value : 0;
    expect(salvage.lengthMm / 1000).toBeCloseTo(planned, -1);
  });

  it('or to recycling, once, and twice changes nothing', async () => {
    const run = await begun('GR');
    await giveUp(run, 'bin');
    const left = (await piece('GR-25')).lengthMm;
    expect(left).toBeLessThan(400_000);
    expect((await giveUp(run, 'bin')).status).toBe(200);
    expect((await piece('GR-25')).lengthMm).toBe(left);
  });

  it('only with a reason and a place, and not once it is filled', async () => {
    const run = await begun('GN');
    expect((await bo('POST', `/runs/${String(run.id)}/give-up`, { why: '', line: 'back' })).status).toBe(400);
    expect((await giveUp(run, 'sea')).status).toBe(400);
    const filled = await runOf(bo, await receiveTwo(bo, 400, 'GF'));
    await send(
      filled,
      1,
      wholeFill().filter(({ kind }) => kind !== 'depth-read'),
    );
    await close(filled);
    expect((await giveUp(filled, 'back')).status).toBe(409);
    expect((await bo('POST', '/runs/99999/give-up', { why: 'x', line: 'back' })).status).toBe(404);
  });
});

describe('put aside', () => {
  it('is not what the bench goes on with when another reel leaves it', async () => {
    const first = await runOf(bo, await receiveTwo(bo, 400, 'A1'));
    await send(first, 1, [{ kind: 'put-aside', payload: { why: '' } }]);
    const second = await runOf(bo, await receiveTwo(bo, 400, 'A2'));
    const standing = async () => (await shop.context.tables.benches.findByPk(FIRST_BENCH))?.runId;
    expect(await standing()).toBe(second.id);
    await send(second, 1, [{ kind: 'put-aside', payload: { why: '' } }]);
    expect(await standing()).not.toBe(first.id);
    expect(await standing()).not.toBe(second.id);
  });

  it('frees the bench, is listed as such, and is taken up by whoever goes on', async () => {
    const run = await runOf(bo, await receiveTwo(bo, 400, 'AS'));
    await send(run, 1, [{ kind: 'put-aside', payload: { why: 'the line is still wet' } }]);
    const listed = async () =>
      (await bo<Page<OpenRun>>('GET', '/runs')).body.rows.find(({ id }) => id === run.id);
    expect(await listed()).toMatchObject({ aside: true });
    const standing = async () => (await shop.context.tables.benches.findByPk(FIRST_BENCH))?.runId;
    expect(await standing()).not.toBe(run.id);
    await send(run, 2, [{ kind: 'taken-up', payload: { bench: 'Bench 1', benchId: FIRST_BENCH } }]);
    expect(await listed()).toMatchObject({ aside: false });
    expect(await standing()).toBe(run.id);
  });
});
