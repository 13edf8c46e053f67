import { FILE_COLUMNS, RACK_FILES, type RackFile } from '@yard-spool/contract';
import Papa from 'papaparse';
import type { Dice } from './dice';
import type { Known } from './from-schema';
import { nasty } from './nasty-values';

type Cell = string | number;
type Row = Readonly<Record<string, unknown>>;

/** What a right row may have in each column; codes of what is there among them. */
const RIGHT: Readonly<Record<string, (dice: Dice, known: Known) => Cell>> = {
  code: (dice) => `Z-${String(dice.whole(1, 400))}`,
  name: (dice) => dice.of(['Moss braid', 'Clear mono 0.30', 'Leader']),
  material: (dice) => dice.of(['nylon', 'fluorocarbon', 'braid', 'hollow-braid']),
  diameter_mm: (dice) => dice.of([0.12, 0.25, 0.3, 0.45]),
  strength_kg: (dice) => dice.of(['', 7.2, 12]),
  tint: (dice) => dice.of(['#aabbcc', '#102030']),
  soak_hours: (dice) => dice.of(['', 0, 2]),
  label_side: (dice) => dice.of(['', 'up', 'down']),
  printed_strength: (dice) => dice.of(['', '14 lb']),
  printed_diameter: (dice) => dice.of(['', '.012"']),
  maker_says: (dice) => dice.of(['', 'Wet the line first']),
  product: (dice, known) =>
    String(dice.chance(0.8) ? dice.of(known.lineCode ?? ['T-25']) : `Z-${String(dice.whole(1, 400))}`),
  kind: (dice) => dice.of(['bulk', 'salvage', 'received', 'found', 'lost', 'counted']),
  place: (dice) => dice.of(['', 'shelf 2']),
  received_m: (dice) => dice.of([100, 300, 5000]),
  left_m: (dice) => dice.of([0, 80, 100, 240]),
  lot: (dice) => dice.of(['', 'L77']),
  price: (dice) => dice.of(['', 12.5]),
  tare_g: (dice) => dice.of(['', 120]),
  flange_mm: (dice) => dice.of(['', 90]),
  core_mm: (dice) => dice.of(['', 40]),
  wound: () => 'unknown',
  leaves: () => 'unknown',
  new_on: (dice) => dice.of(['', '2030-02-28', '2031-01-01']),
  piece: (dice, known) => String(dice.of(known.code ?? ['B-25'])),
  at: () => '2031-01-05T10:00:00.000Z',
  moved_m: (dice) => dice.of([1, -1, 40, -40, 0.5]),
  by: (dice) => dice.of(['Ada', 'Bo', 'somebody long gone']),
  why: (dice) => dice.of(['', 'miscounted']),
  label: (dice) => `Fuzz ${String(dice.whole(1, 60))}`,
  type: (dice) => dice.of(['fixed-spool', 'baitcaster', 'trolling', 'fly']),
  gear: (dice) => dice.of(['', '5.2:1', '6']),
};

/** What means something to whoever reads a file, and is wrong: days, amounts, codes, formulas, what nobody sees. */
const MEANT: readonly Cell[] = [
  '1900-01-01',
  '2201-01-01',
  '0024-05-01',
  '2027-02-29',
  '2027-13-01',
  '01/02/2027',
  '2031-01-05T25:00:00Z',
  100_000,
  100_000.001,
  -100_000,
  1e9,
  1e308,
  '1e400',
  '0,25',
  '1.000',
  '-0',
  '٣٫٥',
  '½',
  '300 m',
  'NaN',
  'Infinity',
  'OWN-1',
  'OWN-NYLON-0280',
  'R-1',
  '=HYPERLINK("http://x")',
  '+1',
  '@cmd',
  '-2+3',
  '\tTab',
  "'quoted",
  'a\u202Eb',
  'nul\u0000',
  'bell\u0007',
  '\uFEFFmark',
  'line\r\nbreak',
  '\u2028',
  'é\u0301',
  '🎣'.repeat(40),
  'x'.repeat(3000),
  '__proto__',
  'constructor',
  '"',
  '"";',
  '<b>',
  '${x}',
  "' OR 1=1 --",
];

const rowOf = (what: RackFile, dice: Dice, known: Known): Row =>
  Object.fromEntries(
    FILE_COLUMNS[what].map((column) => {
      const right = RIGHT[column] ?? ((): Cell => dice.of(['', 1, 40, 60]));
      return [column, right(dice, known)];
    }),
  );

function spoil(row: Row, dice: Dice): Row {
  const columns = Object.keys(row);
  const put: [string, unknown][] = Array.from({ length: dice.whole(1, 2) }, () => [
    dice.of(columns),
    dice.chance(0.8) ? dice.of(MEANT) : nasty(dice),
  ]);
  return { ...row, ...Object.fromEntries(put), ...(dice.chance(0.05) ? { surplus: 1 } : {}) };
}

/** A row as a table has it: what is no text or number stands in it as it is written in JSON. */
const inCells = (row: Row): Record<string, Cell> =>
  Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      typeof value === 'string' || typeof value === 'number' ? value : JSON.stringify(value),
    ]),
  );

/** A file's bytes in an encoding; mostly the right one. */
function bytesOf(text: string, dice: Dice): Buffer {
  if (dice.chance(0.85)) return Buffer.from(dice.chance(0.2) ? `\uFEFF${text}` : text, 'utf8');
  const bytes = Buffer.from(text, dice.of(['utf16le', 'latin1', 'utf8'] as const));
  return dice.chance(0.5)
    ? bytes.subarray(0, dice.whole(0, bytes.length))
    : Buffer.concat([bytes, Buffer.from([0xff, 0xc0])]);
}

/** The body of an import: rows that are right, and rows that are nearly. */
export function nastyFile(dice: Dice, known: Known): string {
  const what = dice.of(RACK_FILES);
  const share = dice.of([0, 0.05, 0.5]);
  const rows = Array.from({ length: dice.of([1, 2, 8, 40]) }, () => {
    const row = rowOf(what, dice, known);
    return dice.chance(share) ? spoil(row, dice) : row;
  });
  const format = dice.of(['csv', 'json'] as const);
  const text =
    format === 'csv'
      ? Papa.unparse(rows.map(inCells), { delimiter: dice.of([',', ',', ';']) })
      : JSON.stringify(rows);
  const preview = dice.chance(0.3);
  return JSON.stringify({ what, format, preview, base64: bytesOf(text, dice).toString('base64') });
}
