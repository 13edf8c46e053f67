import type { ImportResult, Piece } from '@yard-spool/contract';
import { FILE_COLUMNS } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { codeOf, ledgerOf, receive, sumOf, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let now = new Date('2031-01-05T08:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
});
afterAll(() => shop.close());

const base64 = (text: string | Buffer): string => Buffer.from(text).toString('base64');
const importFile = async (
  what: string,
  text: string | Buffer,
  { preview = false, format = 'csv' } = {},
): Promise<ImportResult> =>
  (await ask<ImportResult>('POST', '/rack-files', { what, format, base64: base64(text), preview })).body;
const count = async (): Promise<number[]> => {
  const { products, pieces, moves } = shop.context.tables;
  return Promise.all([products.count(), pieces.count(), moves.count()]);
};

const PRODUCTS = 'code,name,material,diameter_mm,strength_kg,tint\n';
const PIECES = `${FILE_COLUMNS.pieces.join(',')}\n`;
const pieceRow = (code: string, more = '300,240'): string =>
  `${code},FN-30,bulk,Wall,${more},L1,12.50,50,120,60,rolled,clockwise,\n`;

describe('import', () => {
  it('previews without changing anything, then takes all in', async () => {
    const text = `${PRODUCTS}FN-30,File nylon 0.30,nylon,0.3,7.2,#aabbcc\nFB-15,File braid,braid,0.15,,#7f9a6b\n`;
    const before = await count();
    const look = await importFile('products', text, { preview: true });
    expect(look).toMatchObject({ rows: 2, wrongRows: 0, taken: false });
    expect(look.sample[0]).toMatchObject({ code: 'FN-30', diameter_mm: '0.3' });
    expect(await count()).toEqual(before);
    expect((await importFile('products', text)).taken).toBe(true);
    expect((await count())[0]).toBe(before[0]! + 2);
  });

  it('makes each piece with a ledger whose sum is what is left', async () => {
    const result = await importFile('pieces', `${PIECES}${pieceRow('F-1')}${pieceRow('F-2', '500,500')}`);
    expect(result).toMatchObject({ taken: true, errors: [] });
    const { piece, moves } = await ledgerOf(ask, 'F-1');
    expect(piece).toMatchObject({ lengthMm: 240_000, receivedMm: 300_000, priceMinor: 1250, opened: true });
    expect(sumOf(moves)).toBe(240_000);
    expect((await ledgerOf(ask, 'F-2')).moves).toHaveLength(1);
  });

  it('appends a ledger, and refuses one under which a piece would hold less than zero', async () => {
    now = new Date('2031-01-05T10:00:00.000Z');
    const head = `${FILE_COLUMNS.ledger.join(',')}\n`;
    const row = (metres: number): string => `F-2,2031-01-05T09:00:00.000Z,filled,${metres},Ada,R-1\n`;
    expect((await importFile('ledger', head + row(-120))).taken).toBe(true);
    expect((await ledgerOf(ask, 'F-2')).piece.lengthMm).toBe(380_000);
    const below = await importFile('ledger', head + row(-300) + row(-90));
    expect(below.errors).toEqual([
      { row: 3, column: 'moved_m', message: 'F-2 has 80 m before this row: it would hold less than zero.' },
    ]);
    expect((await ledgerOf(ask, 'F-2')).piece.lengthMm).toBe(380_000);
    const strange = await importFile(
      'ledger',
      `${head}F-9,2031-01-05T09:00:00.000Z,received,5,Zed,\nF-2,yesterday,filled,-5,Ada,\n`,
    );
    expect(strange.errors.map(({ row: at, column }) => [at, column])).toEqual([
      [2, 'kind'],
      [3, 'at'],
    ]);
  });
});

describe('a bad file gets a clear answer, row by row, and changes nothing', () => {
  const good = pieceRow('G-1');
  it.each<[string, string, string | Buffer, [number, string, RegExp][]]>([
    [
      'cut short in the middle of a row',
      'pieces',
      `${PIECES}${good}G-2,FN-30,bulk,Wall,30`,
      [[3, '', /stops half way/]],
    ],
    [
      'cut short inside quotation marks',
      'products',
      `${PRODUCTS}Q-1,"Open name,nylon,0.3,,#aabbcc\nQ-2,X,nylon,0.3,,#aabbcc\n`,
      [[2, '', /never closed/]],
    ],
    [
      'in another encoding',
      'products',
      Buffer.concat([
        Buffer.from(`${PRODUCTS}Q-1,`),
        Buffer.from([0xe5, 0xf8]),
        Buffer.from(',nylon,0.3,,#aabbcc\n'),
      ]),
      [[0, '', /not UTF-8/]],
    ],
    [
      'with decimal commas in a comma file',
      'products',
      `${PRODUCTS}Q-1,Comma,nylon,0,3,7,#aabbcc\n`,
      [[2, '', /decimal comma/]],
    ],
    [
      'with decimal commas in a semicolon file',
      'products',
      `${PRODUCTS.replaceAll(',', ';')}Q-1;Comma;nylon;0,3;;#aabbcc\n`,
      [[2, 'diameter_mm', /0\.25, not 0,25/]],
    ],
    [
      'with a code twice and one that is taken',
      'pieces',
      `${PIECES}${pieceRow('G-1')}${pieceRow('G-1')}${pieceRow('F-1')}`,
      [
        [3, 'code', /stands in row 2 already/],
        [4, 'code', /on the rack already/],
      ],
    ],
    [
      'with a line nobody knows and a length of zero',
      'pieces',
      `${PIECES}${pieceRow('G-1').replace('FN-30', 'XX-1')}${pieceRow('G-2', '0,0')}`,
      [
        [2, 'product', /no line XX-1/],
        [3, 'received_m', /from 1 to 100000 m/],
      ],
    ],
    ['without its heading', 'pieces', good, [[0, '', /heading lacks/]]],
    ['with a heading of a million columns', 'pieces', ',a'.repeat(1_000_000), [[0, '', /heading is longer/]]],
    ['that is empty', 'pieces', '  \n', [[0, '', /empty/]]],
    [
      'of 50,000 rows',
      'products',
      PRODUCTS + 'Q-1,X,nylon,0.3,,#aabbcc\n'.repeat(50_000),
      [[0, '', /50,000 rows; 20,000/]],
    ],
  ])('%s', async (_, what, text, expected) => {
    const before = await count();
    const result = await importFile(what, text);
    expect(result.taken).toBe(false);
    expect(result.errors.map(({ row, column }) => [row, column])).toEqual(
      expected.map(([row, column]) => [row, column]),
    );
    expected.forEach(([, , sentence], i) => expect(result.errors[i]!.message).toMatch(sentence));
    expect(await count()).toEqual(before);
  });

  it('that is JSON and cut short, or no list', async () => {
    const json = { format: 'json' };
    expect((await importFile('products', '[{"code": "Q', json)).errors[0]!.message).toContain('not JSON');
    expect((await importFile('products', '{}', json)).errors[0]!.message).toContain('list of objects');
    expect((await importFile('products', '[7]', json)).errors[0]!.message).toContain('lacks code');
  });

  it('that did not arrive whole', async () => {
    const refused = await ask('POST', '/rack-files', {
      what: 'pieces',
      format: 'csv',
      base64: 'not base64!',
      preview: true,
    });
    expect(codeOf(refused)).toBe('bad-request');
  });
});

describe('the reel book as a file', () => {
  const HEAD = `${FILE_COLUMNS.reels.join(',')}\n`;

  it('is imported whole, and what is in it already is refused', async () => {
    const row = 'File 4000,fixed-spool,5.1,210,0.25,,,46.2,,\n';
    expect((await importFile('reels', HEAD + row)).taken).toBe(true);
    const [kind] = await shop.context.tables.reelKinds.findAll({ where: { label: 'File 4000' } });
    expect(kind).toMatchObject({ gear: 5.1, met: 0 });
    expect(kind!.observations).toEqual([
      { kind: 'rating', length: 210, diameter: 0.25 },
      { kind: 'lip', diameter: 46.2 },
    ]);
    const again = await importFile('reels', `${HEAD}${row}Half,spincast,4,200,,,,,,\nOdd,harpoon,4,,,,,,,\n`);
    expect(again.errors.map(({ row: at, column }) => [at, column])).toEqual([
      [2, 'label'],
      [3, 'rating1_m'],
      [4, 'type'],
    ]);
    const out = await ask<string>('GET', '/rack-files?what=reels&format=csv');
    expect(out.body).toContain('File 4000,fixed-spool,5.1,210,0.25,,,46.2,,');
  });
});

describe('export', () => {
  const exportFile = async (what: string, format: string): Promise<string> =>
    (await ask<string>('GET', `/rack-files?what=${what}&format=${format}`)).body;

  it.each(['csv', 'json'])('and in again in another shop gives the same rack, as %s', async (format) => {
    const other = await TestShop.open();
    try {
      const there = await other.as('Ada');
      for (const what of ['products', 'pieces']) {
        const text = await exportFile(what, format);
        const body = { what, format, base64: base64(text), preview: false };
        expect((await there<ImportResult>('POST', '/rack-files', body)).body).toMatchObject({
          errors: [],
          taken: true,
        });
      }
      const rack = async (who: Ask) =>
        (await who<Piece[]>('GET', '/pieces')).body.map(
          ({ code, lengthMm, receivedMm, lot, priceMinor }) => ({
            code,
            lengthMm,
            receivedMm,
            lot,
            priceMinor,
          }),
        );
      expect(await rack(there)).toEqual(await rack(ask));
    } finally {
      await other.close();
    }
  });

  it('writes the columns it says, and nothing a spreadsheet would run', async () => {
    await receive(ask, 'X-1', 20, { place: '=1+1' });
    const text = await exportFile('pieces', 'csv');
    expect(text.split('\r\n')[0]).toBe(`\uFEFF${FILE_COLUMNS.pieces.join(',')}`);
    expect(text).toContain("'=1+1");
    expect(await exportFile('ledger', 'csv')).toContain('F-2,2031-01-05T09:00:00.000Z,filled,-120,Ada,R-1');
  });

  it('comes under a name of its own, and refuses what is no file before anything is sent', async () => {
    const file = await ask('GET', '/rack-files?what=pieces&format=csv');
    expect(file.headers.get('content-disposition')).toMatch(
      /filename="?yard-spool-pieces-\d{4}-\d\d-\d\d\.csv/,
    );
    expect(codeOf(await ask('GET', '/rack-files?what=wishes&format=csv'))).toBe('bad-request');
    expect(codeOf(await shop.ask('GET', '/rack-files?what=pieces&format=csv'))).toBe('not-signed-in');
  });

  it('is written batch after batch, with every row once', async () => {
    const { id } = await receive(ask, 'X-2', 400);
    await shop.force(async (u) => {
      const at = new Date('2031-02-01T00:00:00.000Z');
      const rows = Array.from({ length: 2500 }, (_, i) => ({
        pieceId: id,
        kind: 'counted' as const,
        lengthMm: 1,
        at,
        byId: u.actor.id,
        why: `look ${String(i)}`,
      }));
      await u.tables.moves.createAll(rows);
    });
    const rows = (await exportFile('ledger', 'csv')).split('\r\n').filter((row) => row.startsWith('X-2,'));
    expect(rows).toHaveLength(2501);
    expect(new Set(rows).size).toBe(2501);
    const parsed = JSON.parse(await exportFile('ledger', 'json')) as { why: string }[];
    expect(parsed.filter(({ why }) => why.startsWith('look '))).toHaveLength(2500);
  });
});
