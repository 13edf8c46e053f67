import type { SavedHouseRules, Bag, Piece, Product } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { codeOf, ledgerOf, lineOf, rackOf, receive, sumOf, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Ask;
let now = new Date('2031-03-10T08:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
});
afterAll(() => shop.close());

const FACTS = {
  lot: 'L77',
  priceMinor: 4150,
  tareG: 95.5,
  flangeMm: 120,
  coreMm: 60,
  wound: 'over-end',
  leaves: 'clockwise',
  newOn: null,
};

describe('a piece', () => {
  it('keeps what is printed on it', async () => {
    await receive(ask, 'P-1', 500, FACTS);
    expect((await ledgerOf(ask, 'P-1')).piece).toMatchObject({ ...FACTS, version: 1, writtenOff: false });
  });

  it('is moved and renamed, with its ledger, by whoever saw its latest version', async () => {
    const piece = await receive(ask, 'P-2', 300);
    const change = { ...FACTS, code: 'P-2B', place: 'Drawer 3', version: piece.version };
    const { body } = await ask<Piece>('PUT', '/pieces/P-2', change);
    expect(body).toMatchObject({ code: 'P-2B', place: 'Drawer 3', lot: 'L77', version: 2 });
    expect((await ledgerOf(ask, 'P-2B')).moves).toHaveLength(1);
    const stale = await ask('PUT', '/pieces/P-2B', { ...change, place: 'Elsewhere' });
    expect(codeOf(stale)).toBe('stale-version');
    expect((await ledgerOf(ask, 'P-2B')).piece.place).toBe('Drawer 3');
  });

  it('cannot take a code that another has', async () => {
    const piece = await receive(ask, 'P-3', 300);
    const change = { ...FACTS, code: 'P-1', place: '', version: piece.version };
    expect(codeOf(await ask('PUT', '/pieces/P-3', change))).toBe('already-exists');
  });

  it('stripped off a reel says which, and a reel that is not there is refused', async () => {
    const pieces = await receiveTwo(ask, 900, 'Q');
    const bag = (await ask<Bag>('POST', '/bags', booking(pieces))).body;
    const tag = bag.jobs[0]!.tag;
    await receive(ask, 'S-1', 80, { kind: 'salvage', fromReel: tag, newOn: '2029-05-01' });
    const { piece, moves } = await ledgerOf(ask, 'S-1');
    expect(moves[0]!.why).toBe(`stripped off reel ${tag}`);
    expect(piece).toMatchObject({ kind: 'salvage', newOn: '2029-05-01', opened: true });
    const body = {
      code: 'S-2',
      product: lineOf('L-S2'),
      kind: 'salvage',
      lengthMm: 5000,
      fromReel: 'R-9999',
    };
    expect(codeOf(await ask('POST', '/pieces', body))).toBe('not-found');
    expect((await ask('GET', '/pieces/S-2')).status).toBe(404);
  });

  it('of stripped line is good for backing and refused as main', async () => {
    const pieces = await receiveTwo(ask, 900, 'T');
    const { product } = pieces.main;
    const salvage = await receive(ask, 'S-3', 400, { kind: 'salvage', product: { id: product.id } });
    const refused = await ask('POST', '/bags', booking({ ...pieces, main: salvage }));
    expect(codeOf(refused)).toBe('bad-request');
    expect(refused.body.detail).toContain('good for backing only');
    const old = await receive(ask, 'S-4', 400, {
      kind: 'salvage',
      product: { id: pieces.backing.product.id },
    });
    expect((await ask('POST', '/bags', booking({ ...pieces, backing: old }))).status).toBe(200);
  });

  it('is written off with a reason, and leaves with nothing on it', async () => {
    await receive(ask, 'P-4', 120);
    expect(codeOf(await ask('POST', '/pieces/P-4/write-off', { why: '' }))).toBe('bad-request');
    await ask('POST', '/pieces/P-4/write-off', { why: 'chafed through' });
    const { piece, moves } = await ledgerOf(ask, 'P-4');
    expect(piece).toMatchObject({ writtenOff: true, lengthMm: 0 });
    expect(moves.at(-1)).toMatchObject({ kind: 'written-off', lengthMm: -120_000, why: 'chafed through' });
    expect(codeOf(await ask('POST', '/pieces/P-4/count', { lengthMm: 5 }))).toBe('not-found');
    const restore = () => ask<Piece>('POST', '/pieces/P-4/restore', {});
    expect((await restore()).body).toMatchObject({ writtenOff: false, lengthMm: 120_000 });
    expect(codeOf(await restore())).toBe('already-exists');
  });

  it('is not let go of while booked reels wait for it', async () => {
    const pieces = await receiveTwo(ask, 900, 'V');
    await ask('POST', '/bags', booking(pieces));
    const refused = await ask('POST', `/pieces/${pieces.main.code}/write-off`, { why: 'lost' });
    expect(codeOf(refused)).toBe('not-enough-line');
    expect(refused.body.detail).toMatch(/\d+ m of V-26 are promised/);
  });
});

describe('the books', () => {
  it('follow a count by a move of the difference, never by an edit', async () => {
    await receive(ask, 'C-1', 200);
    await ask('POST', '/pieces/C-1/count', { lengthMm: 187_500, why: 'measured' });
    await ask('POST', '/pieces/C-1/count', { lengthMm: 190_000 });
    const { piece, moves } = await ledgerOf(ask, 'C-1');
    expect(moves.map(({ kind, lengthMm, why }) => [kind, lengthMm, why])).toEqual([
      ['received', 200_000, 'as it came'],
      ['counted', -12_500, 'measured'],
      ['counted', 2500, 'counted'],
    ]);
    expect(piece.lengthMm).toBe(sumOf(moves));
  });

  it('are not set by a count of what they said before', async () => {
    await receive(ask, 'C-9', 200);
    await ask('POST', '/pieces/C-9/count', { lengthMm: 150_000, booksMm: 200_000 });
    const late = await ask('POST', '/pieces/C-9/count', { lengthMm: 190_000, booksMm: 200_000 });
    expect(codeOf(late)).toBe('stale-version');
    expect((await ledgerOf(ask, 'C-9')).piece.lengthMm).toBe(150_000);
  });

  it('stay as they are where the count agrees', async () => {
    await receive(ask, 'C-2', 200);
    await ask('POST', '/pieces/C-2/count', { lengthMm: 200_000 });
    expect((await ledgerOf(ask, 'C-2')).moves).toHaveLength(1);
  });

  it('can be read as of the end of any past day', async () => {
    now = new Date('2031-04-01T10:00:00.000Z');
    ask = await shop.as('Ada');
    await receive(ask, 'D-1', 500);
    now = new Date('2031-04-03T10:00:00.000Z');
    ask = await shop.as('Ada');
    await ask('POST', '/pieces/D-1/count', { lengthMm: 450_000 });
    now = new Date('2031-04-05T10:00:00.000Z');
    ask = await shop.as('Ada');
    await ask('POST', '/pieces/D-1/count', { lengthMm: 300_000 });
    const at = async (day: string): Promise<number | undefined> =>
      (await rackOf(ask, `asOf=${day}`)).find(({ code }) => code === 'D-1')?.lengthMm;
    expect(await at('2031-03-31')).toBeUndefined();
    expect(await at('2031-04-01')).toBe(500_000);
    expect(await at('2031-04-04')).toBe(450_000);
    expect(await at('2031-04-05')).toBe(300_000);
    const { moves } = (await ask<{ moves: unknown[] }>('GET', '/pieces/D-1?asOf=2031-04-03')).body;
    expect(moves).toHaveLength(2);
    expect(codeOf(await ask('GET', '/pieces/D-1?asOf=2031-03-01'))).toBe('not-found');
    expect(codeOf(await ask('GET', '/rack?asOf=last%20spring'))).toBe('bad-request');
  });

  it('can be read as of the end of a day as the shop counts its days', async () => {
    now = new Date('2031-04-01T20:00:00.000Z');
    ask = await shop.as('Ada');
    await receive(ask, 'D-2', 500);
    const at = async (day: string): Promise<number | undefined> =>
      (await rackOf(ask, `asOf=${day}`)).find(({ code }) => code === 'D-2')?.lengthMm;
    const { body: house } = await ask<SavedHouseRules>('GET', '/house-rules');
    const inZone = async (zone: string, version: number) =>
      ask('PUT', '/house-rules', { ...house, version, zone });
    // Nine in the morning of the next day there.
    await inZone('Pacific/Auckland', house.version);
    expect([await at('2031-04-01'), await at('2031-04-02')]).toEqual([undefined, 500_000]);
    await inZone('Etc/UTC', house.version + 1);
    expect(await at('2031-04-01')).toBe(500_000);
    await inZone(house.zone, house.version + 2);
  });
});

describe('a weigh-in', () => {
  const weigh = (code: string, more: object = {}) =>
    ask<Piece>('POST', `/pieces/${code}/weigh`, { grossG: 100, tareG: 50, dry: false, by: 'typed', ...more });

  it('sets the books to what the mass says, and keeps the tare', async () => {
    await receive(ask, 'W-1', 2000);
    const { body } = await weigh('W-1');
    // 50 g of 0.25 nylon at 1.14 g/cm³.
    expect(body.lengthMm / 1000).toBeCloseTo(50 / (1.14 * Math.PI * 0.125 ** 2), 0);
    expect(body.tareG).toBe(50);
    const { moves } = await ledgerOf(ask, 'W-1');
    expect(moves.at(-1)).toMatchObject({ kind: 'weighed' });
    expect(said(moves.at(-1)!.why)).toBe('100.0 g with its spool of 50.0 g');
    const [kept] = await shop.context.tables.weighings.findAll();
    expect(kept!.lowMm).toBeLessThan(kept!.lengthMm);
    expect(kept!.highMm).toBeGreaterThan(kept!.lengthMm);
  });

  it('refuses a weight that means more than ever came on it: another piece, or another tare', async () => {
    await receive(ask, 'W-5', 200);
    const refused = await ask('POST', '/pieces/W-5/weigh', {
      grossG: 412,
      tareG: 50,
      dry: true,
      by: 'scale',
    });
    expect(refused.body.detail).toContain('it came with 200 m');
    expect((await ledgerOf(ask, 'W-5')).piece.lengthMm).toBe(200_000);
  });

  it('refuses less than the empty spool, at its field', async () => {
    await receive(ask, 'W-2', 200);
    const refused = (await weigh('W-2', { grossG: 40 })) as never as { body: { errors: { path: string }[] } };
    expect(refused.body.errors[0]!.path).toBe('tareG');
    expect((await ledgerOf(ask, 'W-2')).moves).toHaveLength(1);
  });

  it('asks for a weighed length of braid first, then weighs by what was learned', async () => {
    const braid = lineOf('L-W3', { material: 'braid' });
    const piece = await receive(ask, 'W-3', 400, { product: braid });
    expect(codeOf((await weigh('W-3')) as never)).toBe('bad-request');
    const sample = { lengthMm: 100_000, grams: 2 };
    const learned = (await ask<Product>('POST', `/products/${piece.product.id}/mass`, sample)).body;
    expect(learned.mass).toMatchObject({ gramsPerMetre: 0.02, samples: 1 });
    expect((await weigh('W-3', { grossG: 56 })).body.lengthMm).toBe(300_000);
  });

  it('refuses a sample of nothing', async () => {
    const piece = await receive(ask, 'W-4', 400);
    const refused = await ask('POST', `/products/${piece.product.id}/mass`, { lengthMm: 100_000, grams: 0 });
    expect(codeOf(refused)).toBe('bad-request');
  });
});
