import { FILE_COLUMNS, MAY_LACK, MOST_ROWS, type RackFile, type RowError } from '@yard-spool/contract';
import Papa from 'papaparse';
import { asItWas } from './harmless';

/** A file as rows of text by column, or what is wrong with the file itself (row 0). */
export interface ReadFile {
  readonly rows: readonly Readonly<Record<string, string>>[];
  readonly errors: readonly RowError[];
  /** What its first row is called: the second of a sheet, beneath the headings, or the first of a list. */
  readonly first: number;
}

/** As a spreadsheet counts them: the headings are row 1. */
const BENEATH_HEADINGS = 2;

/** A heading of more than this is none of ours. */
const LONGEST_HEADING = 2000;
const TOO_WIDE = 'The heading is longer than any this product writes. Is it the right file?';

const wrong = (message: string, row = 0, column = ''): RowError => ({ row, column, message });
const refused = (message: string): ReadFile => ({ rows: [], errors: [wrong(message)], first: 1 });

/** Reads the bytes of a file. Wrong encodings, half files and missing columns are named, never guessed at. */
export function readFile(bytes: Uint8Array, what: RackFile, format: 'csv' | 'json'): ReadFile {
  const text = decode(bytes);
  if (text === null)
    return refused(
      'The file is not UTF-8 text. Save it again as “CSV UTF-8”: in another encoding, names would come out garbled.',
    );
  if (text.trim() === '') return refused('The file is empty.');
  const read = format === 'csv' ? readCsv(text, what) : readJson(text, what);
  if (read.rows.length <= MOST_ROWS) return read;
  return refused(
    `The file has ${read.rows.length.toLocaleString('en')} rows; ${MOST_ROWS.toLocaleString('en')} can be imported at once. Split it.`,
  );
}

function decode(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
  } catch {
    return null;
  }
}

function readCsv(text: string, what: RackFile): ReadFile {
  const [heading = ''] = text.slice(0, LONGEST_HEADING).split(/\r?\n/, 1);
  if (heading.length >= LONGEST_HEADING) return refused(TOO_WIDE);
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  const missing = missingColumns(meta.fields ?? [], what);
  if (missing) return refused(missing);
  // What is left over of a row with too many fields hangs on it as a list; only named fields are wanted.
  const rows = data.map((row) =>
    Object.fromEntries(
      Object.entries(row).flatMap(([name, value]) =>
        typeof value === 'string' ? [[name, asItWas(value)]] : [],
      ),
    ),
  );
  return { rows, errors: csvErrors(errors), first: BENEATH_HEADINGS };
}

/** An open quotation mark swallows all that follows, so that only it is told. */
function csvErrors(errors: readonly Papa.ParseError[]): RowError[] {
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  // The parser counts rows of quotation marks from the heading, others from the first row after it.
  if (open) return [wrong(CSV_ERRORS.MissingQuotes ?? '', Math.max(BENEATH_HEADINGS, (open.row ?? 1) + 1))];
  return errors
    .filter(({ type }) => type === 'FieldMismatch' || type === 'Quotes')
    .map(({ code, row }) =>
      wrong(CSV_ERRORS[code] ?? 'This row cannot be read.', (row ?? 0) + BENEATH_HEADINGS),
    );
}

const CSV_ERRORS: Readonly<Record<string, string>> = {
  TooFewFields: 'This row stops half way: it has fewer fields than the heading.',
  TooManyFields:
    'This row has more fields than the heading. A decimal comma splits a number in two: write 0.25, not 0,25.',
  MissingQuotes: 'A quotation mark is opened here and never closed: the file may have been cut short.',
  InvalidQuotes: 'A quotation mark stands inside a field. Double it, or leave it out.',
};

function readJson(text: string, what: RackFile): ReadFile {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refused('The file is not JSON: it may have been cut short.');
  }
  if (!Array.isArray(data)) return refused('The file must be a list of objects: [ { … }, { … } ].');
  const rows = data.map((row: unknown) =>
    typeof row === 'object' && row !== null
      ? Object.fromEntries(Object.entries(row).map(([name, value]) => [name, textOf(value)]))
      : {},
  );
  const missing = missingColumns(Object.keys(rows[0] ?? {}), what);
  return missing ? refused(missing) : { rows, errors: [], first: 1 };
}

const textOf = (value: unknown): string =>
  typeof value === 'string'
    ? value
    : typeof value === 'number' || typeof value === 'boolean'
      ? String(value)
      : '';

function missingColumns(found: readonly string[], what: RackFile): string | null {
  const missing = FILE_COLUMNS[what].filter((column) => !found.includes(column) && !MAY_LACK.has(column));
  if (missing.length === 0) return null;
  return `The heading lacks ${missing.join(', ')}. A file of ${what} has ${FILE_COLUMNS[what].join(', ')}.`;
}
