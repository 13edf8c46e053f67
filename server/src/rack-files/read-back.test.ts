import { FILE_COLUMNS, type ImportResult, type Piece, type RackFile } from '@yard-spool/contract';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ledgerOf, receive, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
const now = new Date('2031-01-05T10:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await receive(ask, 'RB-1', 500);
});
afterAll(() => shop.close());

type Row = Readonly<Record<string, unknown>>;
const importFile = async (what: RackFile, rows: readonly Row[]): Promise<ImportResult> => {
  const base64 = Buffer.from(JSON.stringify(rows)).toString('base64');
  return (await ask<ImportResult>('POST', '/rack-files', { what, format: 'json', base64, preview: false }))
    .body;
};
const wrongAt = async (what: RackFile, row: Row): Promise<(readonly [number, string])[]> =>
  (await importFile(what, [row])).errors.map(({ row: at, column }) => [at, column] as const);

const PRODUCT = {
  code: 'RB-L',
  name: 'Read back',
  material: 'nylon',
  diameter_mm: 0.3,
  strength_kg: '',
  tint: '#aabbcc',
};
const PIECE = {
  code: 'RB-2',
  product: 'T-26',
  kind: 'salvage',
  place: '',
  received_m: 300,
  left_m: 240,
  lot: '',
  price: '',
  tare_g: '',
  flange_mm: '',
  core_mm: '',
  wound: 'unknown',
  leaves: 'unknown',
  new_on: '',
};

/** Everything that lists what a file may have brought. */
const LISTS = [
  '/pieces',
  '/rack',
  '/rack?find=a',
  '/products',
  '/reel-kinds',
  '/reorder',
  '/house-rules/habits',
];
async function allAreRead(): Promise<void> {
  for (const path of LISTS) expect([path, (await ask('GET', path)).status]).toEqual([path, 200]);
  for (const what of ['products', 'pieces', 'ledger', 'reels'])
    expect((await ask('GET', `/rack-files?what=${what}&format=csv`)).status).toBe(200);
}

describe('what a file brings', () => {
  it.each(['1900-01-01', '2201-01-01', '0024-05-01', '2027-02-29', '2027-13-01'])(
    'is not taken with a day nobody means: %s',
    async (new_on) => {
      await receive(ask, `D-${new_on.slice(0, 4)}${new_on.slice(8)}`, 10);
      const product = (await ledgerOf(ask, 'RB-1')).piece.product.code;
      expect(await wrongAt('pieces', { ...PIECE, product, new_on })).toEqual([[1, 'new_on']]);
      await allAreRead();
    },
  );

  it('is not taken with more left than came, with a code of customers’ own line, or with more on a piece than there is', async () => {
    const product = (await ledgerOf(ask, 'RB-1')).piece.product.code;
    expect(await wrongAt('pieces', { ...PIECE, product, left_m: 301 })).toEqual([[1, 'left_m']]);
    expect(await wrongAt('products', { ...PRODUCT, code: 'OWN-26' })).toEqual([[1, 'code']]);
    const move = {
      piece: 'RB-1',
      at: '2031-01-05T10:00:00.000Z',
      kind: 'found',
      moved_m: 100_000,
      by: 'Ada',
      why: '',
    };
    const many = await importFile(
      'ledger',
      Array.from({ length: 2000 }, () => move),
    );
    expect(many.taken).toBe(false);
    expect(many.errors[0]).toMatchObject({
      row: 1,
      column: 'moved_m',
      message: 'RB-1 would hold more than 100 km after this row: no piece does.',
    });
    for (const at of ['2201-01-01T00:00:00.000Z', '1900-01-01T00:00:00.000Z', '2031-02-30T00:00:00.000Z'])
      expect(await wrongAt('ledger', { ...move, at, moved_m: -1 })).toEqual([[1, 'at']]);
    await allAreRead();
  });

  it('can be read back in every list, whatever was in it', async () => {
    const product = (await ledgerOf(ask, 'RB-1')).piece.product.code;
    const nasty = fc.oneof(
      fc.constantFrom(
        '',
        ' ',
        '-1',
        '0',
        '1e400',
        'NaN',
        '\u0000',
        '\u202eevil',
        '=1+1',
        '9'.repeat(400),
        'x'.repeat(300),
      ),
      fc.constantFrom(
        '1900-01-01',
        '2027-02-29',
        '2031-01-05T09:00:00.000Z',
        '#ffffff',
        'nylon',
        'bulk',
        'OWN-26',
        'null',
      ),
      fc.double(),
      fc.string({ unit: 'grapheme', maxLength: 60 }),
      fc.constantFrom(null, true, {}, []),
    );
    let made = 0;
    const good: Readonly<Record<'products' | 'pieces' | 'ledger' | 'reels', () => Row>> = {
      products: () => ({ ...PRODUCT, code: `NP-${String((made += 1))}` }),
      pieces: () => ({ ...PIECE, product, code: `NC-${String((made += 1))}` }),
      ledger: () => ({
        piece: 'RB-1',
        at: now.toISOString(),
        kind: 'filled',
        moved_m: -0.001,
        by: 'Ada',
        why: '',
      }),
      reels: () => ({
        label: `Reel ${String((made += 1))}`,
        type: 'trolling',
        gear: 4,
        rating1_m: 200,
        rating1_mm: 0.3,
        rating2_m: '',
        rating2_mm: '',
        lip_mm: 50,
        width_mm: 20,
        arbor_mm: 20,
      }),
    };
    let taken = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...(Object.keys(good) as (keyof typeof good)[])).chain((what) =>
          fc.tuple(
            fc.constant(what),
            fc.array(fc.tuple(fc.constantFrom(...FILE_COLUMNS[what]), nasty), {
              minLength: 0,
              maxLength: 2,
            }),
          ),
        ),
        async ([what, spoiled]) => {
          const result = await importFile(what, [{ ...good[what](), ...Object.fromEntries(spoiled) }]);
          // Taken whole, or told what is wrong: never an answer that is neither.
          expect(result.taken || result.errors.length > 0).toBe(true);
          if (result.taken) taken += 1;
        },
      ),
      { numRuns: 120 },
    );
    expect(taken).toBeGreaterThan(15);
    await allAreRead();
  });
});

describe('a row that cannot be read', () => {
  it('takes no list with it: it is told which fields are unread, and is mended on the screen', async () => {
    const told: object[] = [];
    const { tellUnread } = shop.context;
    Object.assign(shop.context, { tellUnread: (found: object) => told.push(found) });
    await shop.force(({ tables }) =>
      tables.pieces.changeAll({ newOn: '1900-01-01', tareG: '999999.0' }, { code: 'RB-1' }),
    );
    const { body } = await ask<Piece[]>('GET', '/pieces');
    const piece = body.find(({ code }) => code === 'RB-1')!;
    expect(piece).toMatchObject({ newOn: null, tareG: null, unread: ['tareG', 'newOn'] });
    expect(told).toContainEqual({ table: 'pieces', key: 'RB-1', fields: ['tareG', 'newOn'] });
    await allAreRead();
    const { lot, priceMinor, flangeMm, coreMm, wound, leaves, version, code, place } = piece;
    const facts = { lot, priceMinor, flangeMm, coreMm, wound, leaves, tareG: 95, newOn: '2030-05-01' };
    const mended = await ask<Piece>('PUT', '/pieces/RB-1', { version, code, place, ...facts });
    expect(mended.status).toBe(200);
    expect('unread' in mended.body).toBe(false);
    expect(mended.body).toMatchObject({ tareG: 95, newOn: '2030-05-01' });
    Object.assign(shop.context, { tellUnread });
  });
});
