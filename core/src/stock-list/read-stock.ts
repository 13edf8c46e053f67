import { DEFAULT_UNIT, METRES_PER_YARD } from '../quantities/units';
import { parseQuantity } from '../quantities/parse-quantity';
import type { Material } from '../lines/line';
import type { Column } from './match-heads';
import { STOCK_TRAITS, type StockField } from './stock-fields';
import { codeOf, materialIn, nextPiece, tintOf } from './stock-words';

/** How a list is read: what its columns are, and what holds for the whole of it where no column says. */
export interface StockReading {
  readonly columns: readonly Column[];
  /** Whether a comma stands before the decimals: "0,25". */
  readonly comma: boolean;
  readonly material: Material | null;
  readonly place: string;
}

/** What is on the rack already. */
export interface OnTheRack {
  readonly lines: readonly KnownLine[];
  readonly pieceCodes: ReadonlySet<string>;
}

interface KnownLine {
  readonly code: string;
  readonly name: string;
  readonly material: Material;
  /** mm. */
  readonly diameter: number;
}

/** A row as the rack's own files write it, the row of the list it comes from, as a spreadsheet counts, and its line's name. */
export interface StockRow {
  readonly row: number;
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
}

/** What is wrong with a row, or with the whole list (row 0), and in which column. */
export interface StockProblem {
  readonly row: number;
  readonly field: StockField | null;
  readonly message: string;
}

/** What a list comes to. */
export interface StockRead {
  /** Lines that are new to the rack. */
  readonly products: readonly StockRow[];
  readonly pieces: readonly StockRow[];
  readonly problems: readonly StockProblem[];
}

/** A list says nothing without these. */
const NEEDED: readonly StockField[] = ['line', 'diameter', 'length'];
/** More spools of one row is a length in the wrong column. */
const MOST_SPOOLS = 200;

/**
 * Reads a shop's own list of what lies on its rack: its lines, each once, and its pieces. Numbers may come with their units,
 * with decimal commas, with thousands grouped; what no column says is said for the whole list.
 *
 * @param table rows as they stand in the file, the first the headings
 * @param above how many rows of the file stand above the headings
 */
export function readStock(
  [, ...table]: readonly (readonly string[])[],
  { above = 0, ...reading }: StockReading & { readonly above?: number },
  { lines, pieceCodes }: OnTheRack,
): StockRead {
  const lacking = NEEDED.filter((field) => !reading.columns.some((column) => column.field === field));
  if (lacking.length > 0) {
    const names = lacking.map((field) => STOCK_TRAITS[field].name).join(', ');
    return {
      products: [],
      pieces: [],
      problems: [{ row: 0, field: null, message: `Say which column is: ${names}.` }],
    };
  }
  const known = new Map(lines.map((line) => [keyOf(line), line.code]));
  const lineCodes = new Set(lines.map(({ code }) => code));
  const ofPiece = reading.columns.findIndex(({ field }) => field === 'piece-code');
  // A code that is proposed is none that stands further down.
  const codes = new Set([
    ...pieceCodes,
    ...table.map((cells) => (cells[ofPiece] ?? '').trim().toUpperCase()),
  ]);
  const products: StockRow[] = [];
  const pieces: StockRow[] = [];
  const problems: StockProblem[] = [];
  table.forEach((cells, i) => {
    // A spreadsheet's first row is its first, whatever stands in it.
    const row = above + i + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const one = readRow(cells, reading);
    if ('problems' in one) {
      problems.push(...one.problems.map((problem) => ({ row, ...problem })));
      return;
    }
    const key = keyOf(one);
    let code = one.lineCode !== '' ? one.lineCode : known.get(key);
    if (code === undefined || (one.lineCode !== '' && !lineCodes.has(code))) {
      code ??= codeOf(one.name, String(Math.round(100 * one.diameter)), lineCodes);
      lineCodes.add(code);
      products.push({ row, name: one.name, values: productValues(one, code) });
    }
    known.set(key, code);
    for (let n = 0; n < one.spools; n += 1) {
      const piece = one.code !== '' && n === 0 ? one.code : nextPiece(code, codes);
      codes.add(piece);
      pieces.push({ row, name: one.name, values: pieceValues(one, code, piece) });
    }
  });
  return { products, pieces, problems };
}

/** A row that was read. Lengths in m, diameter in mm, strength in kg. */
interface Read extends Omit<KnownLine, 'code'> {
  readonly lineCode: string;
  readonly strength: number | null;
  readonly tint: string;
  readonly length: number;
  readonly left: number;
  readonly spools: number;
  readonly code: string;
  readonly place: string;
  readonly lot: string;
  readonly price: string;
}

interface Problems {
  readonly problems: readonly Omit<StockProblem, 'row'>[];
}

/** The cells of one row by what they are, and what is wrong with them. */
class Cells {
  readonly problems: Omit<StockProblem, 'row'>[] = [];

  constructor(
    private readonly cells: readonly string[],
    private readonly reading: StockReading,
  ) {}

  text(field: StockField): string {
    const at = this.reading.columns.findIndex((column) => column.field === field);
    return at < 0 ? '' : (this.cells[at] ?? '').trim();
  }

  /** A quantity in the core's unit; null where there is none, or none that can be read. */
  quantity(field: StockField): number | null {
    const read = quantityIn(this.text(field), field, this.reading);
    if (typeof read === 'number' || read === null) return read;
    this.wrong(field, read.sentence);
    return null;
  }

  /** A quantity there has to be. */
  needed(field: StockField): number {
    const value = this.quantity(field);
    if (value === null && !this.problems.some((one) => one.field === field))
      this.wrong(field, 'This must be filled in.');
    return value ?? 0;
  }

  /** What the line is made of: as its column says, else its name, else what is said for the whole list. */
  material(): Material | null {
    const said = this.text('material');
    const found = said === '' ? (materialIn(this.text('line')) ?? this.reading.material) : materialIn(said);
    const none = `“${said}” is no material the rack knows: nylon, fluorocarbon, braid or hollow braid.`;
    if (!found) this.wrong('material', said === '' ? 'Say what the line is made of.' : none);
    return found;
  }

  spools(): number {
    const said = this.text('spools');
    const spools = said === '' ? 1 : Number(said);
    if (!Number.isInteger(spools) || spools < 0 || spools > MOST_SPOOLS)
      this.wrong('spools', `This is a whole number up to ${String(MOST_SPOOLS)}.`);
    return spools;
  }

  wrong(field: StockField, message: string): void {
    this.problems.push({ field, message });
  }
}

function readRow(row: readonly string[], reading: StockReading): Read | Problems {
  const cells = new Cells(row, reading);
  const name = cells.text('line');
  if (name === '') cells.wrong('line', 'This must be filled in.');
  const material = cells.material();
  const diameter = cells.needed('diameter');
  const length = cells.needed('length');
  const left = cells.quantity('left') ?? length;
  if (left > length && length > 0) cells.wrong('left', 'More is left than a full one holds.');
  const spools = cells.spools();
  const strength = cells.quantity('strength');
  if (cells.problems.length > 0 || !material) return cells;
  return {
    name,
    material,
    diameter,
    strength,
    tint: tintOf(cells.text('colour') || name),
    length,
    left,
    spools,
    lineCode: cells.text('line-code').toUpperCase(),
    code: cells.text('piece-code').toUpperCase(),
    place: cells.text('place') || reading.place,
    lot: cells.text('lot'),
    price: plain(cells.text('price'), reading.comma).replace(/[^\d.]/g, ''),
  };
}

/** A number as it is written where a comma stands before the decimals, as the rest of the product reads it. */
const plain = (text: string, comma: boolean): string =>
  comma ? text.replace(/\.(?=\d{3}(\D|$))/g, '').replace(',', '.') : text;

function quantityIn(
  text: string,
  field: StockField,
  { columns, comma }: StockReading,
): number | null | { readonly sentence: string } {
  const { dimension } = STOCK_TRAITS[field];
  if (text === '' || dimension === undefined) return null;
  const unit = columns.find((column) => column.field === field)?.unit ?? null;
  const written = plain(text, comma);
  const isBare = !/[a-z"'″µ]/i.test(written);
  const read = parseQuantity(isBare && unit !== null ? `${written} ${unit}` : written, dimension);
  return read.ok ? read.value.value : { sentence: read.issues[0]?.sentence ?? '' };
}

const keyOf = ({ name, material, diameter }: Omit<KnownLine, 'code'>): string =>
  JSON.stringify([name.toLowerCase(), material, diameter.toFixed(3)]);

const productValues = (
  { name, material, diameter, strength, tint }: Read,
  code: string,
): Record<string, string> => ({
  code,
  name,
  material,
  diameter_mm: rounded(diameter, 4),
  strength_kg: strength === null ? '' : rounded(strength, 3),
  tint,
});

const pieceValues = (one: Read, product: string, code: string): Record<string, string> => ({
  code,
  product,
  kind: 'bulk',
  place: one.place,
  received_m: rounded(one.length, 3),
  left_m: rounded(one.left, 3),
  lot: one.lot,
  price: one.price,
  tare_g: '',
  flange_mm: '',
  core_mm: '',
  wound: 'unknown',
  leaves: 'unknown',
  new_on: '',
});

const rounded = (value: number, places: number): string => String(Number(value.toFixed(places)));

/** Whether the numbers of a list have decimal commas: one that can be nothing else says it for all of them. */
export const hasCommas = (table: readonly (readonly string[])[]): boolean =>
  table.slice(1).some((cells) => cells.some((cell) => /^\s*(0,\d+|\d+,\d{1,2})(\D.*)?$/.test(cell)));

/** The unit a bare number of a column is taken for: yards, inches and pounds where the shop has those. */
export const usualUnit = (field: StockField | null, imperial: boolean): string | null => {
  const { dimension } = field === null ? { dimension: undefined } : STOCK_TRAITS[field];
  return dimension === undefined ? null : DEFAULT_UNIT[imperial ? 'imperial' : 'metric'][dimension];
};

/** A list to begin with, as anybody keeps one. */
export const SAMPLE_STOCK = [
  ['Line', 'Material', 'Diameter (mm)', 'Length (m)', 'Left (m)', 'Shelf', 'Lot'],
  ['Clear 26', 'nylon', '0.26', '3000', '1240', 'Wall', '31-204'],
  ['Grey braid 20', 'braid', '0.20', String(Math.round(1500 * METRES_PER_YARD)), '', 'Wall', ''],
] as const;
