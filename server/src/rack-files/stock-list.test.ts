import type { Piece, Product, StockListFound } from '@yard-spool/contract';
import { zipSync, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { askAs } from '../testing/ask-as';

const ada = askAs('Ada');

type Said = Partial<Pick<StockListFound, 'reading'> & { preview: boolean }>;
const send = (bytes: Uint8Array | string, { reading, preview = false }: Said = {}) =>
  ada<StockListFound & { detail?: string }>('POST', '/stock-lists', {
    name: 'stock.csv',
    base64: Buffer.from(bytes).toString('base64'),
    reading: reading ?? null,
    preview,
  });

/** The smallest spreadsheet file there is, with one sheet of texts. */
function spreadsheet(rows: readonly (readonly string[])[]): Uint8Array {
  const cells = rows
    .map((row, i) => {
      const at = (column: number): string => `${String.fromCharCode(65 + column)}${String(i + 1)}`;
      const texts = row.map((cell, j) => `<c r="${at(j)}" t="inlineStr"><is><t>${cell}</t></is></c>`);
      return `<row r="${String(i + 1)}">${texts.join('')}</row>`;
    })
    .join('');
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
  const office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
  const parts = {
    '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
    'xl/workbook.xml': `<workbook xmlns="${main}" xmlns:r="${office}"><sheets><sheet name="Stock" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="${office}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    'xl/worksheets/sheet1.xml': `<worksheet xmlns="${main}"><sheetData>${cells}</sheetData></worksheet>`,
  };
  return zipSync(Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(text)])));
}

describe('a shop’s own stock list', () => {
  it('is looked at first, put right where it has to be, and imported in one go, lines and pieces', async () => {
    const list = 'Name;Dia;Full;Bin\nClear 26;0,26;3.000;Wall\nGrey 20;0,2;1500;Wall\n';
    const seen = (await send(list, { preview: true })).body;
    const taken = seen.reading.columns.map(({ field, unit }) => [field, unit].join(' ').trim());
    expect(taken.join(', ')).toBe('line, diameter mm, , place');
    expect(seen.errors.map(({ row, message }) => [row, message])).toEqual([
      [0, 'Say which column is: Length of a full one.'],
    ]);
    const columns = seen.reading.columns.map((column, i) =>
      i === 2 ? ({ field: 'length', unit: 'yd' } as const) : column,
    );
    const reading = { ...seen.reading, columns };
    const unsaid = (await send(list, { reading })).body;
    expect([unsaid.taken, unsaid.errors.map(({ row }) => row)]).toEqual([false, [2, 3]]);
    expect((await ada<Piece[]>('GET', '/pieces')).body).toEqual([]);
    const { body } = await send(list, { reading: { ...reading, material: 'nylon' } });
    expect(body).toMatchObject({ taken: true, lines: 2, pieces: 2, wrongRows: 0 });
    const pieces = (await ada<Piece[]>('GET', '/pieces')).body;
    expect(pieces.map(({ code, lengthMm, place }) => [code, lengthMm, place]).sort()).toEqual([
      ['CLE-26-1', 2_743_200, 'Wall'],
      ['GRE-20-1', 1_371_600, 'Wall'],
    ]);
    // The same once more: no line is new, and its spools are further ones.
    const again = (await send(list, { reading: { ...reading, material: 'nylon' }, preview: true })).body;
    expect([again.lines, again.sample.map(({ code }) => code)]).toEqual([0, ['CLE-26-2', 'GRE-20-2']]);
  });

  it('may be a spreadsheet with a title above its headings, or text of another encoding with tabs', async () => {
    const rows = [
      ['Our stock'],
      ['Line', 'Material', 'Diameter (in)', 'Length (yds)', 'Spool code'],
      ['Smoke leader', 'Fluorocarbon', '0.018', '200', 'sm-18'],
    ];
    const { body } = await send(spreadsheet(rows));
    expect(body).toMatchObject({
      taken: true,
      lines: 1,
      pieces: 1,
      sample: [{ row: 3, line: 'SMO-46 Smoke leader' }],
    });
    const products = (await ada<Product[]>('GET', '/products')).body;
    expect(products.find(({ name }) => name === 'Smoke leader')).toMatchObject({ diameter: 0.4572 });
    const tabs = Buffer.from('Line\tdia mm\tm\nCafé nylon\t0.3\t500\n', 'latin1');
    expect((await send(tabs)).body).toMatchObject({ taken: true, pieces: 1 });
  });

  it('that is none is refused in a sentence, and a code that is taken names its row', async () => {
    expect((await send('')).body.detail).toBe('The file is empty.');
    expect((await send('just words\nand more\n')).body.detail).toMatch(/^No row of the file has two columns/);
    expect((await send(Buffer.from('PK\u0003\u0004 torn'))).body.detail).toMatch(
      /no spreadsheet that can be read/,
    );
    // Packed to a hundredth, and more than anybody keeps once it is unpacked.
    const large = zipSync({ 'xl/workbook.xml': new Uint8Array(61_000_000) });
    expect((await send(large)).body.detail).toMatch(/larger than any stock list/);
    const taken = (await send('Line,Material,dia mm,m,Code\nSmoke leader,fc,0.4572,100,SM-18\n')).body;
    expect([taken.taken, taken.errors.map(({ row, column }) => [row, column])]).toEqual([
      false,
      [[2, 'code']],
    ]);
  });
});
