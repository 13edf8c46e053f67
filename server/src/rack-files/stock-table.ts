import { MOST_STOCK_ROWS } from '@yard-spool/contract';
import { unzipSync } from 'fflate';
import Papa from 'papaparse';
import readSheets from 'read-excel-file/node';

/** A list as rows of text, the headings first, or what is wrong with the file. */
export type StockTable =
  | { readonly rows: string[][]; /** Rows above the headings. */ readonly above: number }
  | { readonly wrong: string };

/** A spreadsheet file is a packed folder: it begins with these two letters. */
const isSpreadsheet = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Reads a file as a table: a spreadsheet's first sheet, or text with commas, semicolons or tabs between its columns. */
export async function readTable(bytes: Uint8Array): Promise<StockTable> {
  const read = isSpreadsheet(bytes) ? await fromSheet(bytes) : fromText(bytes);
  if ('wrong' in read) return read;
  // What stands above the headings is a title: the first row with two columns is theirs.
  const at = read.rows.findIndex((row) => row.filter((cell) => cell.trim() !== '').length > 1);
  if (at < 0) return { wrong: 'No row of the file has two columns. Is it a list with headings?' };
  if (read.rows.length - at > MOST_STOCK_ROWS)
    return { wrong: `The list has more than ${MOST_STOCK_ROWS.toLocaleString('en')} rows. Split it.` };
  return { rows: read.rows.slice(at), above: at };
}

/** A list of thousands of rows is a few megabytes unpacked: what says that it is more is none. */
const MOST_UNPACKED = 60_000_000;

/** Bytes of all that is packed in a file, as it says. @throws where it is no packed file */
function unpackedSize(bytes: Uint8Array): number {
  let size = 0;
  unzipSync(bytes, {
    filter: ({ originalSize }) => {
      size += originalSize;
      return false;
    },
  });
  return size;
}

async function fromSheet(bytes: Uint8Array): Promise<StockTable> {
  try {
    if (unpackedSize(bytes) > MOST_UNPACKED)
      return { wrong: 'The spreadsheet is larger than any stock list. Save the one sheet as CSV.' };
    const [sheet] = await readSheets(Buffer.from(bytes));
    return { rows: (sheet?.data ?? []).map((row) => row.map(cellText)), above: 0 };
  } catch {
    return {
      wrong: 'The file is a packed one, and no spreadsheet that can be read. Save it as .xlsx or as CSV.',
    };
  }
}

const cellText = (cell: unknown): string => {
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return typeof cell === 'string' || typeof cell === 'number' ? String(cell) : '';
};

function fromText(bytes: Uint8Array): StockTable {
  const text = decoded(bytes);
  if (text.trim() === '') return { wrong: 'The file is empty.' };
  const { data, errors } = Papa.parse<string[]>(text, { delimitersToGuess: [',', ';', '\t'] });
  if (errors.some(({ code }) => code === 'MissingQuotes'))
    return { wrong: 'A quotation mark is opened and never closed: the file may have been cut short.' };
  return { rows: data, above: 0 };
}

/** As UTF-8 where it is that, and else as what spreadsheets write in the West: a list has few letters beyond plain ones. */
function decoded(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
