import type { Piece } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { ledgerOf, receive, sumOf, type Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { drawLine } from './draw';

let shop: TestShop;
let ask: Ask;
inShop('Ada', (opened) => ({ shop, ask } = opened));

/** A repeatable source of choices for one client. */
function choices(seed: number): (most: number) => number {
  let state = seed;
  return (most) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * most);
  };
}

describe('a thousand operations from eight clients', () => {
  it(
    'leave every piece with the sum of its ledger, never below zero at any time',
    { timeout: 120_000 },
    async () => {
      const codes = ['K-1', 'K-2', 'K-3', 'K-4'];
      for (const code of codes) await receive(ask, code, 400);
      const ids = new Map((await ask<Piece[]>('GET', '/pieces')).body.map(({ code, id }) => [code, id]));
      const clients = Array.from({ length: 8 }, async (_, client) => {
        const choose = choices(client + 1);
        for (let i = 0; i < 125; i += 1) {
          const code = codes[choose(codes.length)]!;
          const metres = choose(60);
          if (choose(3) === 0) await ask('POST', `/pieces/${code}/count`, { lengthMm: metres * 9000 + i });
          else if (choose(4) === 0)
            await ask('POST', `/pieces/${code}/weigh`, {
              grossG: 20 + metres / 3,
              tareG: 20,
              dry: true,
              by: 'typed',
            });
          else
            await shop.force((u) =>
              drawLine(u, {
                pieceId: ids.get(code)!,
                lengthMm: metres * 1000 + 1,
                tailMm: 2000,
                runId: null as never,
                why: `client ${client}`,
              }),
            );
        }
      });
      await Promise.all(clients);
      for (const code of codes) {
        const { piece, moves } = await ledgerOf(ask, code);
        expect(moves.length).toBeGreaterThan(200);
        expect(piece.lengthMm).toBe(sumOf(moves));
        // In the order they were written no prefix dips below zero: nobody drew what another had taken.
        let running = 0;
        for (const { lengthMm } of moves) {
          running += lengthMm;
          expect(running).toBeGreaterThanOrEqual(0);
        }
      }
    },
  );

  it('lets one of two that write a piece off do it, and tells the other', async () => {
    await receive(ask, 'K-9', 100);
    const answers = await Promise.all(
      ['first', 'second'].map((why) => ask('POST', '/pieces/K-9/write-off', { why })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 404]);
    expect((await ledgerOf(ask, 'K-9')).moves).toHaveLength(2);
  });
});
