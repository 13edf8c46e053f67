import type { Piece, Reel } from '@yard-spool/contract';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ReelLife } from '../testing/reel-life';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
const pieces: Piece[] = [];
let now = new Date();
const LOTS = ['lot-A', 'lot-B', 'lot-C'];

beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Bo');
  for (const [i, lot] of LOTS.entries()) {
    const diameter = 0.24 + 0.02 * i;
    const product = {
      code: `LL-${i}`,
      name: `Nylon of ${lot}`,
      material: 'nylon',
      diameter,
      strengthKg: null,
    };
    const body = { code: `LP-${i}`, kind: 'bulk', place: 'Wall', lot, lengthMm: 90_000_000 };
    const made = await ask<Piece>('POST', '/pieces', { ...body, product: { ...product, tint: '#aabbcc' } });
    pieces.push(made.body);
  }
});
afterAll(() => shop.close());

const leftOn = async ({ code }: Piece): Promise<number> =>
  (await ask<{ piece: Piece }>('GET', `/pieces/${code}`)).body.piece.lengthMm;

/** Holds page and list of lots against what truly lies on both spools. */
async function holds(life: ReelLife): Promise<void> {
  for (const spool of ['own', 'spare'] as const) {
    const told = await life.told(spool);
    const truth = life.truth[spool];
    expect(told.map(({ name }) => name)).toEqual(truth.map(({ lot }) => `Nylon of ${lot}`));
    told.forEach(({ metres }, i) => {
      expect(Math.abs(metres - truth[i]!.metres)).toBeLessThan(0.03 * truth[i]!.metres + 0.5);
    });
  }
  const on = [...life.truth.own, ...life.truth.spare].map(({ lot }) => lot);
  for (const lot of LOTS) expect([lot, await life.stillHas(lot)]).toEqual([lot, on.includes(lot)]);
}

describe('what is on a reel is what the record says', () => {
  it('old line that stays on keeps its name, piece and lot, and its length', async () => {
    const life = new ReelLife(ask, 'Keeps');
    await life.fill('own', pieces[0]!, 120);
    await life.fill('own', pieces[1]!, 60, 70);
    await holds(life);
    expect((await life.told('own')).map(({ name }) => name)).toEqual(['Nylon of lot-A', 'Nylon of lot-B']);
    await life.fill('own', pieces[2]!, 20, 100);
    await holds(life);
  });

  it('line that is turned goes from one spool to the other as what it is', async () => {
    const life = new ReelLife(ask, 'Turns');
    await life.fill('own', pieces[0]!, 60);
    await life.fill('own', pieces[1]!, 80, 50);
    await life.turn('own', 'spare');
    await holds(life);
    expect((await life.told('own')).map(({ name }) => name)).toEqual(['Nylon of lot-A']);
    expect((await life.told('spare')).map(({ name }) => name)).toEqual(['Nylon of lot-B']);
    await life.turn('spare', 'own');
    await holds(life);
  });

  it('line lost on the water is gone, makes the reel due once too little is left, and can be told to be there', async () => {
    const life = new ReelLife(ask, 'Loses');
    await life.fill('own', pieces[0]!, 60);
    await life.fill('own', pieces[1]!, 90, 50);
    const due = async () => {
      const { body } = await ask<{
        spools: { on: { by: string; gap: number; offMm: number; fillId: number } }[];
      }>('GET', `/reels/${life.tag}`);
      return body.spools[0]!.on;
    };
    const before = await due();
    await life.lose('own', 10);
    expect((await due()).by).toBe('months');
    expect((await due()).gap).toBeGreaterThan(before.gap + 0.1);
    await life.lose('own', 30);
    expect((await due()).by).toBe('loss');
    await holds(life);
    await life.lose('own', 70);
    await holds(life);
    const { fillId } = await due();
    await ask('POST', `/fills/${String(fillId)}/marks`, {
      kind: 'off',
      offMm: 0,
      why: 'it was another reel',
    });
    expect(await due()).toMatchObject({ by: 'months', offMm: 0, gap: before.gap });
  });

  it('a spool that was stripped for nothing is bare', async () => {
    const life = new ReelLife(ask, 'Minds');
    await life.fill('own', pieces[0]!, 60);
    await life.changeOfMind('own', pieces[1]!);
    await holds(life);
    await life.fill('own', pieces[2]!, 60, 40);
    await holds(life);
  });

  it('a matched counter adds what went on off its piece, takes off what came off, and makes no line newer', async () => {
    const life = new ReelLife(ask, 'Matches');
    await life.fill('own', pieces[0]!, 60);
    await life.fill('own', pieces[1]!, 90, 50);
    const on = async () => (await ask<Reel>('GET', `/reels/${life.tag}`)).body.spools[0]!.on!;
    await ask('POST', `/fills/${String((await on()).fillId)}/marks`, { kind: 'trips', trips: 9 });
    const { dueAt } = await on();
    const today = now;
    now = new Date(today.getTime() + 3_600_000);
    const had = await leftOn(pieces[2]!);
    const fill = await life.match('own', pieces[2]!, 18);
    await holds(life);
    expect(fill!.layers.map(({ pieceCode }) => pieceCode)).toEqual(['LP-0', 'LP-1', 'LP-2']);
    expect(had - (await leftOn(pieces[2]!))).toBeGreaterThanOrEqual(18_000);
    expect(had - (await leftOn(pieces[2]!))).toBeLessThan(25_000);
    // The line on top is what was just added; it is all of it that is told of.
    expect(await on()).toMatchObject({ trips: 9, dueAt });
    await life.match('own', pieces[0]!, -7);
    await holds(life);
    now = today;
  });

  it('a counter of a reel filled elsewhere leaves it with the line it came with, and what went on', async () => {
    const life = new ReelLife(ask, 'Elsewhere');
    life.truth.own = [{ lot: 'nowhere', metres: 100 }];
    const fill = await life.match('own', pieces[1]!, 12);
    expect(fill!.layers.map(({ pieceCode, lineName }) => [pieceCode, lineName])).toEqual([
      [null, 'nylon 0.40'],
      ['LP-1', 'Nylon of lot-B'],
    ]);
    expect(fill!.layers[0]!.lengthMm / 1000).toBeCloseTo(77, 0);
    expect(fill!.layers[1]!.lengthMm / 1000).toBeCloseTo(12, 1);
    await ask('POST', `/runs/${String(fill!.runId)}/reopen`, { why: 'the wrong reel' });
    const { body: reel } = await ask<Reel>('GET', `/reels/${life.tag}`);
    expect(reel.spools[0]!.on).toBeNull();
  });

  it('a piece that was booked for a reel whose line stays on gives nothing', async () => {
    const life = new ReelLife(ask, 'Booked on a piece');
    life.truth.own = [{ lot: 'nowhere', metres: 100 }];
    const had = await leftOn(pieces[0]!);
    const fill = await life.match('own', pieces[1]!, 12, pieces[0]);
    expect(await leftOn(pieces[0]!)).toBe(had);
    expect(fill!.layers.map(({ pieceCode }) => pieceCode)).toEqual([null, 'LP-1']);
  });

  it('holds over random lives', { timeout: 240_000 }, async () => {
    const piece = fc.constantFrom(0, 1, 2);
    const spool = fc.constantFrom('own' as const, 'spare' as const);
    const metres = fc.integer({ min: 15, max: 70 });
    const op = fc.oneof(
      fc.record({ op: fc.constant('fill' as const), spool, piece, metres, keep: fc.constantFrom(0, 20, 45) }),
      fc.record({ op: fc.constant('turn' as const), spool }),
      fc.record({ op: fc.constant('lose' as const), spool, metres }),
      fc.record({
        op: fc.constant('mind' as const),
        spool,
        piece,
        metres,
        to: fc.constantFrom('back' as const, 'salvage' as const, 'bin' as const),
      }),
      fc.record({ op: fc.constant('match' as const), spool, piece, moved: fc.integer({ min: -9, max: 20 }) }),
    );
    let lives = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(op, { minLength: 3, maxLength: 7 }), async (ops) => {
        lives += 1;
        const life = new ReelLife(ask, `Life ${String(lives)}`);
        const had = await Promise.all(pieces.map(leftOn));
        await life.fill('own', pieces[0]!, 50);
        for (const one of ops) {
          if (one.op === 'fill') await life.fill(one.spool, pieces[one.piece]!, one.metres, one.keep);
          if (one.op === 'turn') await life.turn(one.spool, one.spool === 'own' ? 'spare' : 'own');
          if (one.op === 'lose') await life.lose(one.spool, one.metres);
          if (one.op === 'mind' && life.truth[one.spool].length > 0)
            await life.changeOfMind(one.spool, pieces[one.piece]!, one.to, one.metres);
          if (one.op === 'match') await life.match(one.spool, pieces[one.piece]!, one.moved);
          await holds(life);
        }
        // What the pieces lost is what the reel, tails, salvage and bins got.
        for (const [i, piece] of pieces.entries()) {
          const gave = life.gave.get(piece.code) ?? 0;
          expect(Math.abs(had[i]! - (await leftOn(piece)) - gave)).toBeLessThan(0.01 * gave + 20);
        }
      }),
      { numRuns: 10, seed: 11 },
    );
  });
});
