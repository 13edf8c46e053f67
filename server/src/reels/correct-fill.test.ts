import type { Fill, Learning, Reel, Run } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { filledReel } from '../testing/filled';
import { ledgerOf, receive, sumOf, type Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const filled = (prefix: string, first: { kind: string; payload: object }[] = []): Promise<[Run, Fill]> =>
  filledReel(shop, ask, prefix, { first });
const correct = (fill: Fill, body: object) =>
  ask<Reel>('POST', `/fills/${fill.id}/correct`, { about: '', why: 'written down wrong', ...body });
const left = async (code: string): Promise<number> => {
  const { piece, moves } = await ledgerOf(ask, code);
  expect(sumOf(moves)).toBe(piece.lengthMm);
  return piece.lengthMm;
};

describe('a closed record is put right in place', () => {
  it('a gap: the page says it, the log says what it was and why, what was learned follows', async () => {
    const [run, fill] = await filled('GAP');
    const { body } = await correct(fill, { what: 'gap', is: 2.4 });
    expect(body.fills[0]).toMatchObject({ id: fill.id, gapRead: 2.4, corrections: 1 });
    expect(body.fills[0]?.layers).toEqual(fill.layers);
    const { events } = (await ask<Run>('GET', `/runs/${run.id}`)).body;
    expect(events.at(-1)).toMatchObject({
      kind: 'corrected',
      payload: { what: 'gap', was: fill.gapRead, is: 2.4, why: 'written down wrong' },
    });
    const known = body.spools[0]?.observations.filter(({ kind }) => kind === 'depth');
    expect(known?.at(-1)).toMatchObject({ depth: 2.4 });
    const kept = await shop.context.tables.fillVersions.findAll({ where: { fillId: fill.id } });
    expect(kept.map(({ was }) => was.gapRead)).toEqual([fill.gapRead]);
    expect((await ask<Learning>('GET', '/learning')).status).toBe(200);
  });

  it('a length: the piece gets back what never left it, and what lies above moves in', async () => {
    const [, fill] = await filled('LEN');
    const [backing, main] = fill.layers;
    const before = [await left('LEN-25'), await left('LEN-26')];
    const metres = backing!.lengthMm / 1000 - 20;
    const { body } = await correct(fill, { what: 'length', about: '0', is: metres });
    const layers = body.fills[0]!.layers;
    expect(layers[0]).toMatchObject({ lengthMm: Math.round(metres * 1000), restsOn: ['corrected'] });
    expect(layers[0]!.outerRadius).toBeLessThan(backing!.outerRadius);
    expect(layers[1]!.innerRadius).toBeCloseTo(layers[0]!.outerRadius, 9);
    expect(layers[1]!.lengthMm).toBe(main!.lengthMm);
    expect(layers[1]!.handleTurns).toBeGreaterThan(main!.handleTurns);
    expect(body.fills[0]!.gapByCount).toBeGreaterThan(fill.gapByCount);
    expect(await left('LEN-25')).toBe(before[0]! + 20_000);
    expect(await left('LEN-26')).toBe(before[1]);
  });

  it('a piece: one gets its line back, the other gives it, and the lot is the other’s', async () => {
    const [, fill] = await filled('PCE');
    await receive(ask, 'PCE-30', 500, { lot: 'L7' });
    const before = await left('PCE-26');
    const { body } = await correct(fill, { what: 'piece', about: '1', is: 'PCE-30' });
    const main = body.fills[0]!.layers[1]!;
    expect(main).toMatchObject({ pieceCode: 'PCE-30', lot: 'L7' });
    expect(await left('PCE-26')).toBe(before + main.lengthMm);
    expect(await left('PCE-30')).toBe(500_000 - main.lengthMm);
    // What it does not have it cannot have given.
    await receive(ask, 'PCE-31', 5);
    const refused = await correct(fill, { what: 'piece', about: '1', is: 'PCE-31' });
    expect(refused).toMatchObject({ status: 409, body: { code: 'not-enough-line' } });
    expect(await left('PCE-30')).toBe(500_000 - main.lengthMm);
    const none = await correct(fill, { what: 'piece', about: '1', is: null });
    expect(none.body.fills[0]!.layers[1]!.pieceCode).toBeNull();
    expect(await left('PCE-30')).toBe(500_000);
    // A piece that was written off since keeps its ledger as it was closed.
    await correct(fill, { what: 'piece', about: '1', is: 'PCE-30' });
    await shop.force(({ tables }) => tables.pieces.changeAll({ writtenOff: true }, { code: 'PCE-30' }));
    expect((await correct(fill, { what: 'length', about: '1', is: 50 })).status).toBe(200);
    const piece = await shop.context.tables.pieces.findOne({ where: { code: 'PCE-30' } });
    expect(piece?.lengthMm).toBe(500_000 - main.lengthMm);
  });

  it('a note: told as it should have been, the one before is in the log', async () => {
    const strip = { kind: 'noted', payload: { step: 'strip', values: { minutes: 4 } } };
    const [run, fill] = await filled('NOTE', [strip]);
    expect((await correct(fill, { what: 'note', about: 'strip.minutes', is: 6 })).status).toBe(200);
    const { events } = (await ask<Run>('GET', `/runs/${run.id}`)).body;
    expect(events.at(-1)).toMatchObject({ payload: { was: 4, is: 6 } });
    for (const [about, is] of [
      ['strip.minutes', 'six'],
      ['strip.nothing', 1],
      ['__proto__.x', 1],
      ['', 1],
    ] as const)
      expect([about, (await correct(fill, { what: 'note', about, is })).status]).toEqual([about, 400]);
  });

  it('refuses what cannot be, what it says already, and a fill that was opened again', async () => {
    const [run, fill] = await filled('BAD');
    const bad = [
      { what: 'gap', is: 900 },
      { what: 'gap', is: 'wide' },
      { what: 'gap', is: fill.gapRead },
      { what: 'length', about: '9', is: 10 },
      { what: 'length', about: '0', is: -1 },
      { what: 'length', about: '0', is: 1e6 },
      { what: 'length', about: 'constructor', is: 1 },
      { what: 'gap', is: 1, why: ' ' },
    ];
    for (const body of bad) expect([body, (await correct(fill, body)).status]).toEqual([body, 400]);
    expect((await correct(fill, { what: 'piece', about: '0', is: 'NO-SUCH' })).status).toBe(404);
    expect((await correct({ ...fill, id: 999_999 }, { what: 'gap', is: 1 })).status).toBe(404);
    await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'to-check' }, { id: run.job.id }));
    await ask('POST', `/runs/${run.id}/reopen`, { why: 'again' });
    expect((await correct(fill, { what: 'gap', is: 1 })).status).toBe(404);
    expect(
      (await ask<Run>('GET', `/runs/${run.id}`)).body.events.some(({ kind }) => kind === 'corrected'),
    ).toBe(false);
  });

  it('by two at once: both are in the log, the ledger is the sum', async () => {
    const [run, fill] = await filled('TWO');
    const answers = await Promise.all(
      [10, 12, 14, 16].map((is) => correct(fill, { what: 'length', about: '0', is })),
    );
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    const { events } = (await ask<Run>('GET', `/runs/${run.id}`)).body;
    expect(events.filter(({ kind }) => kind === 'corrected')).toHaveLength(4);
    const last = events.at(-1) as { payload: { is: number } };
    const { body } = await ask<Reel>('GET', `/reels/${run.job.tag}`);
    expect(body.fills[0]!.layers[0]!.lengthMm).toBe(last.payload.is * 1000);
    await left('TWO-25');
  });
});
