import type { Move, Piece } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { receiveTwo } from '../testing/bookings';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { drawLine } from './draw';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
inShop('Ada', (opened) => ({ shop, ask } = opened));

const ledger = async (code: string) =>
  (await ask<{ piece: Piece; moves: Move[] }>('GET', `/pieces/${code}`)).body;
const sum = (moves: readonly Move[]): number => moves.reduce((total, { lengthMm }) => total + lengthMm, 0);

describe('the rack', () => {
  it('takes a piece on with its first ledger line', async () => {
    await receiveTwo(ask, 500, 'A');
    const { piece, moves } = await ledger('A-26');
    expect(piece).toMatchObject({ lengthMm: 500_000, receivedMm: 500_000, opened: false, promisedMm: 0 });
    expect(moves).toMatchObject([{ kind: 'received', lengthMm: 500_000, by: 'Ada' }]);
  });

  it('refuses a code that is taken, a length of zero, and line that is too thick', async () => {
    const product = { id: (await ledger('A-26')).piece.product.id };
    const piece = { code: 'A-26', product, kind: 'bulk', place: '', lengthMm: 1000 };
    expect((await ask('POST', '/pieces', piece)).body).toMatchObject({
      code: 'already-exists',
      errors: [{ path: 'code', message: 'There is a piece A-26 already.' }],
    });
    const next = await ask('GET', `/products/${String(product.id)}/next-piece`);
    expect(next.body).toMatchObject({ nextCode: 'A-27', lengthMm: 500_000, kind: 'bulk' });
    expect(
      (await ask('POST', '/pieces', { ...piece, code: 'A-99', lengthMm: 0 })).body.errors?.[0]?.path,
    ).toBe('lengthMm');
    const thick = {
      code: 'Q-1',
      name: 'Rope',
      material: 'nylon',
      diameter: 12,
      strengthKg: null,
      tint: '#000000',
    };
    expect((await ask('POST', '/pieces', { ...piece, code: 'A-98', product: thick })).status).toBe(400);
    expect((await ask('GET', '/pieces/A-98')).status).toBe(404);
  });

  it('draws length and tail as two ledger lines whose sum is what is left', async () => {
    const { main } = await receiveTwo(ask, 300, 'B');
    await shop.force((u) =>
      drawLine(u, {
        pieceId: main.id,
        lengthMm: 120_000,
        tailMm: 2000,
        runId: null as never,
        why: 'R-1, main',
      }),
    );
    const { piece, moves } = await ledger('B-26');
    expect(moves.map(({ kind, lengthMm }) => [kind, lengthMm])).toEqual([
      ['received', 300_000],
      ['filled', -120_000],
      ['tail', -2000],
    ]);
    expect(piece.lengthMm).toBe(178_000);
    expect(piece.opened).toBe(true);
  });

  it('never goes below zero: what was counted and not on the books is found line', async () => {
    const { main } = await receiveTwo(ask, 100, 'C');
    await shop.force((u) =>
      drawLine(u, {
        pieceId: main.id,
        lengthMm: 130_000,
        tailMm: 2000,
        runId: null as never,
        why: 'R-1, main',
      }),
    );
    const { piece, moves } = await ledger('C-26');
    expect(moves.map(({ kind, lengthMm }) => [kind, lengthMm])).toContainEqual(['found', 30_000]);
    expect([piece.lengthMm, sum(moves)]).toEqual([0, 0]);
  });

  it('keeps sum and length equal with eight drawing at once', async () => {
    const { main } = await receiveTwo(ask, 1000, 'D');
    const draws = Array.from({ length: 8 }, (_, i) =>
      shop.force((u) =>
        drawLine(u, {
          pieceId: main.id,
          lengthMm: 10_000 + i,
          tailMm: 2000,
          runId: null as never,
          why: `R-${i}`,
        }),
      ),
    );
    await Promise.all(draws);
    const { piece, moves } = await ledger('D-26');
    expect(moves).toHaveLength(17);
    expect(piece.lengthMm).toBe(sum(moves));
    expect(piece.lengthMm).toBe(1_000_000 - 8 * 12_000 - 28);
  });
});
