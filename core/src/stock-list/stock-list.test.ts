import { describe, expect, it } from 'vitest';
import { guessColumns } from './guess-columns';
import { matchHeads } from './match-heads';
import { hasCommas, readStock, type OnTheRack, type StockReading } from './read-stock';
import { codeOf, materialIn, tintOf } from './stock-words';

const EMPTY: OnTheRack = { lines: [], pieceCodes: new Set() };
/** A list read by its headings alone. */
function read(text: string, change: Partial<StockReading> = {}, there = EMPTY) {
  const table = text.split('\n').map((row) => row.split('|').map((cell) => cell.trim()));
  const columns = matchHeads(table[0]!);
  return readStock(table, { columns, comma: hasCommas(table), material: null, place: '', ...change }, there);
}
const fieldsOf = (...heads: string[]) =>
  matchHeads(heads)
    .map(({ field, unit }) => [field, unit].join(' ').trim())
    .join(', ');

describe('the headings of a stock list', () => {
  it('are known by their words, with the unit in them', () => {
    expect(fieldsOf('Line', 'Material', 'Dia. (mm)', 'Length (yds)', 'Left (m)', 'Shelf')).toBe(
      'line, material, diameter mm, length yd, left m, place',
    );
    expect(fieldsOf('SKU', 'Description', 'Test lb', 'mm', 'Metres', 'Qty', 'In stock (m)', 'Cost')).toBe(
      'line-code, line, strength lb, diameter mm, length m, spools, left m, price',
    );
  });

  it('mean each thing once, and nothing where they say nothing', () => {
    expect(fieldsOf('Length', 'Length left', 'Notes', '')).toBe('length, left, , ');
  });
});

describe('what the headings do not say', () => {
  const guess = (text: string, imperial = false) =>
    guessColumns(
      text.split('\n').map((row) => row.split('|').map((cell) => cell.trim())),
      { comma: text.includes(','), imperial },
    )
      .map(({ field, unit }) => [field, unit].join(' ').trim())
      .join('; ');

  it('is told by what stands beneath them: names are the line, what is said again and again is not', () => {
    expect(guess('Shop | What | mm | m\nNorth | Grey 16 | 0,16 | 1500\nNorth | Green 20 | 0,2 | 900')).toBe(
      '; line; diameter mm; length m',
    );
    expect(guess('What | Line | Dia | Length\nGrey | Grey 16 | 1 | 1')).toBe('; line; diameter mm; length m');
  });

  it('follows the shop, but no line is a fiftieth of a millimetre thin or a quarter inch thick', () => {
    const list = (dia: string): string => `Line | Dia\nGrey | ${dia}`;
    expect([guess(list('.018')), guess(list('.26'), true)]).toEqual([
      'line; diameter in',
      'line; diameter mm',
    ]);
    expect([guess(list('.06')), guess(list('.06'), true)]).toEqual([
      'line; diameter mm',
      'line; diameter in',
    ]);
  });
});

describe('a stock list', () => {
  it('comes to its lines, each once, and its pieces', () => {
    const { products, pieces, problems } =
      read(`Line | Material | Dia. (mm) | Length (m) | Left (m) | Code | Shelf
Clear 26 | Nylon | 0.26 | 3,000 | 1240 | ab-1 | Wall
Clear 26 | mono | 0.260 | 3000 | | | Wall
Grey 20 | Braided | .2 | 1500 m | 900 | |`);
    expect(problems).toEqual([]);
    expect(
      products.map(({ row, values }) => [row, values.code, values.material, values.diameter_mm]),
    ).toEqual([
      [2, 'CLE-26', 'nylon', '0.26'],
      [4, 'GRE-20', 'braid', '0.2'],
    ]);
    expect(pieces.map(({ row, values: v }) => [row, v.code, v.product, v.received_m, v.left_m])).toEqual([
      [2, 'AB-1', 'CLE-26', '3000', '1240'],
      [3, 'CLE-26-1', 'CLE-26', '3000', '3000'],
      [4, 'GRE-20-1', 'GRE-20', '1500', '900'],
    ]);
  });

  it('is read in its own units and with decimal commas, without being edited', () => {
    const list = read(
      `Artikel | Ø mm | Test (lb) | Spool size (yds) | Qty
Clear mono | 0,26 | 8 | 300 | 2
Smoke fluorocarbon | 0,30 | 10,5 | 1.200 | 1`.replace('Artikel', 'Article'),
    );
    expect(list.problems).toEqual([]);
    expect(
      list.products.map(({ values }) => [values.material, values.diameter_mm, values.strength_kg]),
    ).toEqual([
      ['nylon', '0.26', '3.629'],
      ['fluorocarbon', '0.3', '4.763'],
    ]);
    expect(list.pieces.map(({ values }) => values.received_m)).toEqual(['274.32', '274.32', '1097.28']);
    expect(new Set(list.pieces.map(({ values }) => values.code)).size).toBe(3);
  });

  it('goes on with the lines and the codes that are on the rack', () => {
    const there: OnTheRack = {
      lines: [{ code: 'N-26', name: 'clear 26', material: 'nylon', diameter: 0.26 }],
      pieceCodes: new Set(['N-26-1']),
    };
    const { products, pieces } = read('Name|Type|Diameter mm|Length m\nClear 26|nylon|0.26|900', {}, there);
    expect(products).toEqual([]);
    expect(pieces[0]!.values).toMatchObject({ product: 'N-26', code: 'N-26-2' });
  });

  it('names what it cannot read by the row of the spreadsheet and the column, and what it lacks', () => {
    const { problems, pieces } = read(`Line | Diameter | Length | Left
Clear 26 | 0.26 mm | 3000 m | 9000 m

Something | thick | 10 m |
 | 0.3 mm | 10 m |`);
    expect(problems.map(({ row, field }) => `${row} ${String(field)}`).join(', ')).toBe(
      '2 material, 2 left, 4 material, 4 diameter, 5 line, 5 material',
    );
    expect(pieces).toEqual([]);
    expect(read('Line|Shelf\nClear|Wall').problems).toEqual([
      { row: 0, field: null, message: 'Say which column is: Diameter, Length of a full one.' },
    ]);
    // Said for the whole list, it is no question any more.
    expect(
      read('Line|Dia mm|Length m\nX|0.3|90', { material: 'braid', place: 'Wall' }).pieces[0]!.values.place,
    ).toBe('Wall');
  });
});

it('words of a list say a material and a colour, and codes are nobody else’s', () => {
  expect(['Fluoro', 'hollow-core braid', '100% FC', 'PE 8x', 'Mono', 'wire'].map(materialIn).join(' ')).toBe(
    'fluorocarbon hollow-braid fluorocarbon braid nylon ',
  );
  expect([tintOf('#A1b2C3'), tintOf('dark green'), tintOf('Tangelo')]).toEqual([
    '#a1b2c3',
    '#4f8a57',
    '#aab7bd',
  ]);
  expect([codeOf('Éclair 5', '30', new Set()), codeOf('5', '5', new Set(['L-5']))]).toEqual([
    'ECL-30',
    'L-5-2',
  ]);
});
