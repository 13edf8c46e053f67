import type { Bag, RecyclingBook, ReorderLine } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { booking, numbered, receiveTwo, runOf, wholeFill } from '../testing/bookings';
import { codeOf, ledgerOf, lineOf, receive, type Ask } from '../testing/rack';
import { inShop } from '../testing/in-shop';

let ask: Ask;
inShop('Bo', (opened) => ({ ask } = opened));

const recycle = (body: object) => ask<RecyclingBook>('POST', '/recycling', body);
const total = (book: RecyclingBook, stream: string) => book.totals.find((one) => one.stream === stream)!;

describe('the recycling bins', () => {
  it('start empty and keep running totals by stream', async () => {
    const empty = (await ask<RecyclingBook>('GET', '/recycling')).body;
    expect(empty.totals).toEqual([
      { stream: 'nylon', grams: 0, tubes: 0 },
      { stream: 'fluorocarbon', grams: 0, tubes: 0 },
      { stream: 'braid', grams: 0, tubes: 0 },
    ]);
    await recycle({ stream: 'nylon', grams: 120.4, tubes: 2, why: 'club reels', piece: null });
    await recycle({ stream: 'braid', grams: 30, tubes: 1, piece: null });
    const { body } = await recycle({ stream: 'nylon', grams: 79.6, tubes: 1, piece: null });
    expect(total(body, 'nylon')).toEqual({ stream: 'nylon', grams: 200, tubes: 3 });
    expect(total(body, 'braid')).toMatchObject({ grams: 30, tubes: 1 });
    expect(body.entries[2]).toMatchObject({ why: 'club reels', by: 'Bo', estimated: false });
  });

  it('take all that is left of a piece, with its weight worked out, and the piece leaves the rack', async () => {
    await receive(ask, 'S-1', 200, { kind: 'salvage' });
    const { body } = await recycle({ stream: 'nylon', grams: null, tubes: 1, piece: 'S-1' });
    const [entry] = body.entries;
    expect(entry).toMatchObject({ estimated: true, lengthMm: 200_000 });
    expect(entry!.grams).toBeCloseTo(200 * 1.14 * Math.PI * 0.125 ** 2, 1);
    const { piece, moves } = await ledgerOf(ask, 'S-1');
    expect(piece).toMatchObject({ writtenOff: true, lengthMm: 0 });
    expect(moves.at(-1)).toMatchObject({ kind: 'recycled', why: 'into the nylon bin' });
    await ask('POST', '/pieces/S-1/restore', {});
    const book = (await ask<RecyclingBook>('GET', '/recycling')).body;
    expect(total(book, 'nylon')).toEqual({ stream: 'nylon', grams: 200, tubes: 3 });
    expect(book.entries[0]).toMatchObject({ grams: -entry!.grams, tubes: -1, why: 'S-1 taken out again' });
  });

  it('refuse the wrong bin, a weight nobody knows, and line that is promised; nothing is booked', async () => {
    await receive(ask, 'B-1', 90, { product: lineOf('L-B1', { material: 'braid' }) });
    const wrong = await ask('POST', '/recycling', { stream: 'nylon', grams: 3, tubes: 0, piece: 'B-1' });
    expect(wrong.body.errors?.[0]).toEqual({ path: 'stream', message: 'It goes to the braid bin.' });
    const unweighed = await ask('POST', '/recycling', {
      stream: 'braid',
      grams: null,
      tubes: 0,
      piece: 'B-1',
    });
    expect(unweighed.body.errors?.[0]?.path).toBe('grams');
    expect((await ledgerOf(ask, 'B-1')).piece.lengthMm).toBe(90_000);
    const pieces = await receiveTwo(ask, 900, 'Q');
    await ask<Bag>('POST', '/bags', booking(pieces));
    const promised = await ask('POST', '/recycling', {
      stream: 'nylon',
      grams: 5,
      tubes: 0,
      piece: pieces.main.code,
    });
    expect(codeOf(promised)).toBe('not-enough-line');
    for (const tubes of [-1, 1.5, 1000])
      expect(
        (await ask('POST', '/recycling', { stream: 'nylon', grams: 5, tubes, piece: null })).status,
      ).toBe(400);
  });
});

describe('what to order', () => {
  it('goes by use over the weeks, days left, and the price of a metre by size', async () => {
    const pieces = await receiveTwo(ask, 400, 'R');
    const product = { id: pieces.main.product.id };
    await receive(ask, 'R-1', 100, { product, priceMinor: 500 });
    await receive(ask, 'R-2', 1000, { product, priceMinor: 3000 });
    const run = await runOf(ask, pieces);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    expect((await ask('POST', `/runs/${run.id}/close`, {})).status).toBe(200);
    const { lines } = (await ask<{ lines: ReorderLine[] }>('GET', '/reorder')).body;
    const main = lines.find((line) => line.product.id === product.id)!;
    // 120 m on the reel and 2 m of tail; of everything there, the rest is left.
    expect(main.usedMm).toBeGreaterThan(120_000);
    expect(main.usedMm).toBeLessThan(124_000);
    expect(main.daysLeft).toBe(Math.floor((main.leftMm / main.usedMm) * 28));
    expect(main.sizes).toEqual([
      { lengthMm: 1_000_000, minorPerMetre: 3 },
      { lengthMm: 100_000, minorPerMetre: 5 },
    ]);
    const unused = lines.find((line) => line.usedMm === 0)!;
    expect(unused.daysLeft).toBeNull();
    expect(lines.indexOf(main)).toBeLessThan(lines.indexOf(unused));
  });
});
