import type {
  Bag,
  CustomerReel,
  Fill,
  Learning,
  Piece,
  Problem,
  Reel,
  ReelKind,
  Run,
} from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import { booking, numbered, PLAN_INPUT, receiveTwo, runOf, wholeFill } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import type { Ask } from '../testing/rack';
import { said } from '../testing/said';

type Happening = ReturnType<typeof wholeFill>[number];

let ask: Ask;

inShop('Bo', (opened) => ({ ask } = opened));

/** A whole fill with one thing done otherwise. */
const otherwise = (change: (one: Happening) => Happening[]): Happening[] => wholeFill().flatMap(change);
const movesOf = async (code: string): Promise<{ kind: string; lengthMm: number }[]> =>
  (await ask<{ moves: { kind: string; lengthMm: number }[] }>('GET', `/pieces/${code}`)).body.moves;

async function closed(run: Run, log: readonly Happening[]) {
  await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, log) });
  return ask<Fill & Problem>('POST', `/runs/${run.id}/close`, {});
}

/** The main's supply runs out, after so many times the turns that it should have taken. */
const usedUpAfter = (times: number) =>
  otherwise((one) => {
    const payload = one.payload as { layer?: string; step?: string; turns?: number };
    if (one.kind === 'turns' && payload.layer === 'main')
      return [{ ...one, payload: { ...payload, turns: Math.round(times * payload.turns!) } }];
    if (payload.step === 'wind-main') return [{ ...one, payload: { step: 'wind-main', usedUp: true } }];
    return [one];
  });

describe('the record of a fill', () => {
  it('has a pack used up with what it held, and finds no line that never was', async () => {
    const pieces = await receiveTwo(ask, 300, 'USED');
    await ask('POST', '/pieces/USED-26/count', { lengthMm: 122_000, why: 'measured' });
    const run = await runOf(ask, pieces);
    // By the count more went on than the piece held; the technician says that the supply ran out.
    const log = usedUpAfter(1.04);
    const { status, body } = await closed(run, log);
    expect(status).toBe(200);
    const main = body.layers[1]!;
    expect(main.restsOn).toContain('used-up');
    expect(main.lengthMm).toBeLessThanOrEqual(122_000);
    expect(main.lengthMm).toBeGreaterThan(117_000);
    expect((await movesOf('USED-26')).map(({ kind }) => kind)).not.toContain('found');
    const { body: piece } = await ask<{ piece: Piece }>('GET', '/pieces/USED-26');
    expect(piece.piece.lengthMm).toBeGreaterThanOrEqual(0);
  });

  it('has a fill wound by eye with what its depths say, not with nothing', async () => {
    const run = await runOf(ask, await receiveTwo(ask, 300, 'EYE'));
    const log = otherwise((one) => (one.kind === 'turns' ? [] : [one]));
    const { status, body } = await closed(run, log);
    expect(status).toBe(200);
    const made = makePlan(PLAN_INPUT);
    const planned = made.ok ? made.value.plan.layers.map(({ length }) => length.value * 1000) : [];
    body.layers.forEach(({ lengthMm, likelyMm, restsOn }, i) => {
      expect(Math.abs(lengthMm / planned[i]! - 1)).toBeLessThan(0.25);
      expect(likelyMm[1] - likelyMm[0]).toBeGreaterThan(0.05 * lengthMm);
      expect(restsOn).toEqual(['depth']);
    });
    expect((await movesOf('EYE-26')).find(({ kind }) => kind === 'filled')!.lengthMm).toBe(
      -body.layers[1]!.lengthMm,
    );
  });

  it('is not written while readings contradict each other, until that is answered', async () => {
    const pieces = await receiveTwo(ask, 300, 'WRONG');
    await ask('POST', '/pieces/WRONG-26/count', { lengthMm: 122_000, why: 'measured' });
    const run = await runOf(ask, pieces);
    const log = usedUpAfter(1.5);
    const refused = await closed(run, log);
    expect([refused.status, refused.body.code]).toEqual([409, 'readings-contradict']);
    expect(refused.body.detail).toMatch(/cannot all be right\. Which is wrong\?$/);
    expect(await movesOf('WRONG-26')).toHaveLength(2);
    const { body: open } = await ask<Run>('GET', `/runs/${run.id}`);
    const answer = { kind: 'settled', payload: { cause: 'count', about: 'main' } };
    await ask('POST', `/runs/${run.id}/events`, {
      events: numbered(run, open.events.length, [answer]),
    });
    const { status, body } = await ask<Fill>('POST', `/runs/${run.id}/close`, {});
    expect(status).toBe(200);
    expect(Math.abs(body.layers[1]!.lengthMm / 120_000 - 1)).toBeLessThan(0.03);
  });

  it('keeps a gear that was answered for the reel and its kind, until it is opened again or said otherwise', async () => {
    const pieces = await receiveTwo(ask, 300, 'GEAR');
    await ask('POST', '/pieces/GEAR-26/count', { lengthMm: 122_000, why: 'measured' });
    const run = await runOf(ask, pieces);
    const { tag, type, label, planInput } = run.job;
    const gears = async () => {
      const kinds = (await ask<ReelKind[]>('GET', '/reel-kinds')).body;
      const last = (await ask<{ reel: CustomerReel }>('GET', `/reels/${tag}/last`)).body.reel.last!;
      const kind = kinds.find((one) => one.type === type && one.label === label)!;
      return [last.planInput.request.gear, kind.gear];
    };
    const answer = { kind: 'settled', payload: { cause: 'gear', about: '' } };
    const log = usedUpAfter(1.25);
    expect((await closed(run, [...log.slice(0, -1), answer, log.at(-1)!])).status).toBe(200);
    const [found, kinds] = await gears();
    expect(found! / planInput.request.gear).toBeGreaterThan(0.75);
    expect(found! / planInput.request.gear).toBeLessThan(0.95);
    expect(kinds).toBe(found);
    const bag = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body;
    expect(bag.history.map(({ what }) => said(what)).join()).toContain(
      `the gear is ${found!.toFixed(1)}:1, not 5.2:1`,
    );
    await ask('POST', `/runs/${run.id}/reopen`, { why: 'wrong answer' });
    expect(await gears()).toEqual([planInput.request.gear, planInput.request.gear]);
  });

  it('says what lies under the line: tape as it was wound, and washers', async () => {
    const run = await runOf(ask, await receiveTwo(ask, 300, 'TAPE'));
    const laid = [
      { kind: 'noted', payload: { step: 'grip', values: { by: 'tape', wraps: 2, thickness: 0.15 } } },
      {
        kind: 'lay-read',
        payload: { layer: 'main', rear: 3, front: 2, did: 'add-washer', wound: 40 },
      },
    ];
    const log = [...laid, ...wholeFill()];
    const { status, body } = await closed(run, log);
    expect(status).toBe(200);
    const told = { tape: { wraps: 2, thickness: 0.15 }, reducer: null, washers: 1 };
    expect(body.laid).toEqual(told);
    const { body: reel } = await ask<Reel>('GET', `/reels/${run.job.tag}`);
    expect(reel.fills[0]?.laid).toEqual(told);
  });

  it('books line as found only where somebody said that the books were wrong', async () => {
    const pieces = await receiveTwo(ask, 300, 'FOUND');
    const run = await runOf(ask, pieces);
    await ask('POST', '/pieces/FOUND-26/count', { lengthMm: 100_000, why: 'measured', anyway: true });
    const answer = { kind: 'settled', payload: { cause: 'piece', about: 'main' } };
    const log = [...wholeFill().slice(0, -1), answer, wholeFill().at(-1)!];
    const { status, body } = await closed(run, log);
    expect(status).toBe(200);
    expect(body.layers[1]!.lengthMm).toBeGreaterThan(110_000);
    const found = (await movesOf('FOUND-26')).find(({ kind }) => kind === 'found');
    expect(found?.lengthMm).toBe(body.layers[1]!.lengthMm - 100_000);
  });
});

describe('what closed fills teach', () => {
  it('is kept, says how much it rests on, reaches the next plan, and goes with a fill that is opened again', async () => {
    const fresh = await TestShop.open();
    const bo = await fresh.as('Bo');
    try {
      const learning = async (): Promise<Learning> => (await bo<Learning>('GET', '/learning')).body;
      expect(await learning()).toEqual({
        kinds: [],
        lines: [],
        hands: [],
        prints: [],
        counters: { reels: [], kinds: [] },
      });
      const pieces = await receiveTwo(bo, 3000, 'L');
      const first = (await bo<Bag>('POST', '/bags', booking(pieces))).body.jobs[0]!;
      let last = 0;
      for (let i = 0; i < 3; i += 1) {
        const run = await runOf(bo, pieces);
        // Filled to plan, it came out fuller than planned: bulkier line, or a denser spool.
        const log = wholeFill().map((one) =>
          one.kind === 'depth-read' && (one.payload as { after: string }).after === 'gap'
            ? { ...one, payload: { after: 'gap', depth: 0.9, by: 'calliper' } }
            : one,
        );
        await bo('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, log) });
        expect((await bo('POST', `/runs/${run.id}/close`, {})).status).toBe(200);
        last = run.id;
      }
      const taught = await learning();
      expect(taught.kinds.map(({ key, fills }) => [key, fills])).toEqual([['fixed-spool test 3000', 3]]);
      expect(taught.lines.map(({ key, fills }) => [key, fills])).toEqual([
        ['T-25', 3],
        ['T-26', 3],
      ]);
      expect(taught.hands[0]!.key).toMatch(/^Bo, /);
      const next = (await bo<Bag>('POST', '/bags', booking(pieces))).body.jobs[0]!;
      expect(next.planInput.beliefs!.packing).toEqual(taught.kinds[0]!.belief);
      expect(next.plan.layers[0]!.length.value).toBeLessThan(first.plan.layers[0]!.length.value);
      await bo('POST', `/runs/${last}/reopen`, { why: 'wrong line' });
      expect((await learning()).kinds[0]!.fills).toBe(2);
    } finally {
      await fresh.close();
    }
  });
});

it('refuses beliefs and readings nobody can have', async () => {
  const pieces = await receiveTwo(ask, 300, 'BAD');
  const [job] = booking(pieces).jobs;
  const withInput = (planInput: object) => booking(pieces, { jobs: [{ ...job!, planInput }] });
  for (const planInput of [
    { ...PLAN_INPUT, beliefs: { packing: { median: 0, sd: 0 } } },
    { ...PLAN_INPUT, beliefs: { type: 'none such' } },
    {
      ...PLAN_INPUT,
      observations: [{ kind: 'stretch', layers: [], line: {}, spoolTurns: 1, length: 1, sd: 0 }],
    },
  ])
    expect((await ask('POST', '/bags', withInput(planInput))).status).toBe(400);
});
