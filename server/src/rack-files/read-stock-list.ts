import { StockListSchema, type StockListFound } from '@yard-spool/contract';
import {
  guessColumns,
  hasCommas,
  readStock,
  STOCK_TRAITS,
  type OnTheRack,
  type StockProblem,
  type StockReading,
  type StockRow,
} from '@yard-spool/core';
import * as v from 'valibot';
import { fieldErrors } from '../field-errors';
import type { FieldError } from '../problem-error';
import { task } from '../work/task';
import { bodyOf } from './body-of';
import { checkRows, type Checked } from './check-rows';
import { SHOWN_ERRORS, type FileRows } from './read-rows';
import { PieceRowSchema, ProductRowSchema } from './row-schemas';
import { readTable } from './stock-table';

/** A request that brings a list, as its bytes, and what it is read beside. */
export interface AskedStock {
  readonly body: Uint8Array;
  readonly lines: OnTheRack['lines'];
  readonly pieceCodes: readonly string[];
  /** Whether the shop reckons in yards, inches and pounds. */
  readonly imperial: boolean;
}

/** A list as it was read, or what is wrong with the request. */
export type ReadStockList =
  | { readonly ok: false; readonly errors: readonly FieldError[] }
  | {
      readonly ok: true;
      readonly preview: boolean;
      readonly name: string;
      readonly found: Omit<StockListFound, 'taken'>;
      readonly products: readonly Checked<FileRows['products']>[];
      readonly pieces: readonly Checked<FileRows['pieces']>[];
    };

const SHOWN_FIRST = 4;
const SHOWN_PIECES = 40;

/** Reads a shop's own list: its columns by their headings, unless somebody said what they are. */
export async function readAskedStock({
  body,
  lines,
  pieceCodes,
  imperial,
}: AskedStock): Promise<ReadStockList> {
  const asked = v.safeParse(StockListSchema, bodyOf(body));
  if (!asked.success) return { ok: false, errors: fieldErrors(asked.issues, 'body') };
  const { name, base64, preview, reading: said } = asked.output;
  const table = await readTable(Buffer.from(base64, 'base64'));
  if ('wrong' in table) return { ok: false, errors: [{ path: 'body.base64', message: table.wrong }] };
  const [heads = []] = table.rows;
  const reading = said?.columns.length === heads.length ? said : readingOf(table.rows, imperial);
  const read = readStock(
    table.rows,
    { ...reading, above: table.above },
    { lines, pieceCodes: new Set(pieceCodes) },
  );
  const products = checked(ProductRowSchema, read.products);
  const pieces = checked(PieceRowSchema, read.pieces);
  const errors = [
    ...read.problems.map((problem) => ({ ...problem, column: columnOf(problem, reading, heads) })),
    ...products.errors,
    ...pieces.errors,
  ].sort((a, b) => a.row - b.row);
  return {
    ok: true,
    preview,
    name,
    products: products.good,
    pieces: pieces.good,
    found: {
      heads,
      first: table.rows.slice(1, 1 + SHOWN_FIRST),
      reading,
      rows: table.rows.slice(1).filter((cells) => cells.some((cell) => cell.trim() !== '')).length,
      lines: read.products.length,
      pieces: read.pieces.length,
      sample: read.pieces.slice(0, SHOWN_PIECES).map(({ row, name: lineName, values }) => ({
        row,
        code: values.code ?? '',
        line: `${values.product ?? ''} ${lineName}`,
        receivedM: values.received_m ?? '',
        leftM: values.left_m ?? '',
        place: values.place ?? '',
      })),
      errors: errors.slice(0, SHOWN_ERRORS).map(({ row, column, message }) => ({ row, column, message })),
      wrongRows: new Set(errors.map(({ row }) => row)).size,
    },
  };
}

/** By its headings and what stands beneath them: what neither says is what is usual in the shop. */
function readingOf(rows: readonly (readonly string[])[], imperial: boolean): StockReading {
  const comma = hasCommas(rows);
  return { columns: guessColumns(rows, { comma, imperial }), comma, material: null, place: '' };
}

/** Each row by itself, as a row of the rack's own files; told by the row of the list it came from. */
function checked<S extends v.GenericSchema>(schema: S, rows: readonly StockRow[]) {
  const { good, errors } = checkRows(
    schema,
    rows.map(({ values }) => values),
  );
  const rowOf = (row: number): number => rows[row - 1]?.row ?? row;
  return {
    good: good.map((one) => ({ ...one, row: rowOf(one.row) })),
    errors: errors.map((error) => ({ ...error, row: rowOf(error.row) })),
  };
}

/** The heading of a column that something is wrong in. */
function columnOf({ field }: StockProblem, { columns }: StockReading, heads: readonly string[]): string {
  if (field === null) return '';
  const at = columns.findIndex((column) => column.field === field);
  return heads[at] ?? STOCK_TRAITS[field].name;
}

/** A shop's own stock list, read and checked row by row. */
export const READ_STOCK = task<typeof readAskedStock>('stock-list');
