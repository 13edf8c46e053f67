import type { Bag, CutsPlan, Fill, Piece, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, wholeFill } from '../testing/bookings';
import { lineOf, receive, type Ask } from '../testing/rack';
import { said } from '../testing/said';
import { cleared, ofOneLine, plannedOn, soakNothing } from '../testing/cutting';
import { planOfCuts } from '../testing/plan-of-cuts';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
const now = new Date('2030-01-02T09:00:00.000Z');
let made = 0;
let main: Piece;
let b: (name: string, metres: number, more?: object) => Promise<Piece>;
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await soakNothing(ask);
});
afterAll(() => shop.close());
beforeEach(async () => {
  await cleared(shop);
  made += 1;
  const receives = ofOneLine(ask, `J${made}`, 0.25);
  b = (name, metres, more) => receives(`J${made}-${name}`, metres, more);
  main = await receive(ask, `JM${made}`, 900, { product: lineOf(`JM${made}`, { diameter: 0.26 }) });
});

const planned = (code: string) => plannedOn({ ...main.product, code, diameter: 0.25 }, main.product);
/** Books a reel whose backing is cut as is said. */
async function book(line: string, cuts: readonly object[]) {
  const body = booking({ main, backing: main }, { promisedAt: '2030-01-03T16:00:00.000Z' });
  const job = { ...body.jobs[0], planInput: planned(line), cuts };
  return ask<Bag>('POST', '/bags', { ...body, jobs: [job] });
}
const onMain = () => ({ layer: 'main', pieceId: main.id });
const joined = (first: Piece, second: Piece, metres: number) => [
  { layer: 'backing', pieceId: first.id, joined: { pieceId: second.id, firstMm: metres * 1000 } },
  onMain(),
];
const cutsOf = (bag: Bag) =>
  bag.jobs[0]!.cuts.map(({ layer, pieceCode, lengthMm }) => [layer, pieceCode, lengthMm]);
const promised = async ({ id }: Piece): Promise<number> =>
  (await ask<Piece[]>('GET', '/pieces')).body.find((piece) => piece.id === id)!.promisedMm;
const plan = (): Promise<CutsPlan> => planOfCuts(ask);

describe('backing that is joined from two pieces', () => {
  it('is promised off both: so much off the first, the rest off the second', async () => {
    const first = await b('A', 30);
    const second = await b('B', 200);
    const { status, body } = await book(first.product.code, joined(first, second, 30));
    expect(status).toBe(200);
    const whole = Math.round(1000 * body.jobs[0]!.plan.layers[0]!.length.value);
    expect(cutsOf(body)).toEqual([
      ['backing', first.code, 30_000],
      ['backing', second.code, whole - 30_000],
      ['main', main.code, 120_000],
    ]);
    // All of the first goes: it has no tail to lose.
    expect(await promised(first)).toBe(30_000);
    expect(await promised(second)).toBe(whole - 30_000 + 2000);
  });

  it('is refused for a main, of one piece with itself, in short lengths, and where there is not enough', async () => {
    const first = await b('A', 30);
    const second = await b('B', 200);
    const code = first.product.code;
    const refused = async (cuts: readonly object[]) => {
      const { status, body } = await book(code, cuts);
      expect(status).not.toBe(200);
      return JSON.stringify(body);
    };
    const twice = { layer: 'main', pieceId: main.id, joined: { pieceId: second.id, firstMm: 60_000 } };
    expect(await refused([{ layer: 'backing', pieceId: second.id }, twice])).toContain('one unbroken length');
    expect(await refused(joined(second, second, 30))).toContain('joined to itself');
    expect(await refused(joined(first, second, 10))).toContain('at least');
    // The rest is shorter than can be joined.
    const { body } = await book(code, [{ layer: 'backing', pieceId: second.id }, onMain()]);
    const whole = Math.floor(body.jobs[0]!.plan.layers[0]!.length.value);
    const longer = await b('C', 200);
    expect(await refused(joined(longer, first, whole - 5))).toContain('at least');
    expect(await refused(joined(first, second, 60))).toContain(first.code);
  });

  it('is what a plan makes of two remnants, where no piece has all of it', async () => {
    const first = await b('A', 40, { kind: 'remnant' });
    const second = await b('B', 70, { kind: 'remnant' });
    const { body: bag } = await book(first.product.code, [
      { layer: 'backing', productId: first.product.id },
      onMain(),
    ]);
    const found = await plan();
    const layer = found.layers.find(({ layer: of }) => of === 'backing')!;
    expect([layer.planned, layer.plannedJoined].sort()).toEqual([first.code, second.code]);
    expect(found.planned.unserved).toBe(0);
    const accepted = await ask<CutsPlan>('POST', '/cuts/accept', { revision: found.revision });
    expect(accepted.status).toBe(200);
    const after = (await ask<Bag>('GET', `/bags/${bag.number}`)).body;
    const backings = after.jobs[0]!.cuts.filter(({ layer: of }) => of === 'backing');
    expect(backings.map(({ pieceCode }) => pieceCode).sort()).toEqual([first.code, second.code]);
    expect(after.history.map(({ what }) => said(what)).join()).toContain('is joined from');
    // It is booked so: the plan has nothing more to move, and planning again keeps both.
    const again = await plan();
    expect(again.layers.find(({ layer: of }) => of === 'backing')).toMatchObject({
      now: backings[0]!.pieceCode,
      nowJoined: backings[1]!.pieceCode,
    });
    const rules = (await ask<{ rules: { gap: object } }>('GET', '/house-rules')).body;
    await ask('PUT', '/house-rules', rules);
    const kept = (await ask<Bag>('GET', `/bags/${bag.number}`)).body;
    expect(kept.jobs[0]!.cuts.filter(({ layer: of }) => of === 'backing')).toHaveLength(2);
  });

  it('is wound off one and then the other, and each gives what came off it', async () => {
    const first = await b('A', 30);
    const second = await b('B', 200);
    const bag = (await book(first.product.code, joined(first, second, 30))).body;
    const run = (await ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH })).body;
    // What is wound is held against the piece that is on.
    expect(run.pieces.backing).toMatchObject({ length: 30 });
    const fill = wholeFill(planned(first.product.code)).flatMap((happening) => {
      const { layer, turns } = happening.payload as { layer?: string; turns?: number };
      if (layer !== 'backing' || turns === undefined) return [happening];
      const part = Math.round(0.35 * turns);
      const payload = { layer, pieceId: second.id, code: second.code, usedUp: true };
      return [
        { kind: 'turns', payload: { layer, turns: part } },
        { kind: 'piece-changed', payload },
        { kind: 'turns', payload: { layer, turns: turns - part } },
      ];
    });
    const events = numbered(run, 1, fill);
    expect((await ask('POST', `/runs/${run.id}/events`, { events })).status).toBe(200);
    const closed = (await ask<Fill>('POST', `/runs/${run.id}/close`, {})).body;
    const backings = closed.layers.filter(({ id }) => id === 'backing');
    expect(backings.map(({ pieceCode }) => pieceCode)).toEqual([first.code, second.code]);
    const pieces = (await ask<Piece[]>('GET', '/pieces')).body;
    const left = ({ id }: Piece) => pieces.find((piece) => piece.id === id)?.lengthMm ?? 0;
    expect(left(first)).toBe(0);
    expect(left(second)).toBe(200_000 - backings[1]!.lengthMm - 2000);
  });
});
