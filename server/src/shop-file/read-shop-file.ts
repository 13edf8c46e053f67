import { createHash } from 'node:crypto';
import * as v from 'valibot';
import { isKnownStep } from '../db/migrate';
import {
  EndSchema,
  FORMAT_VERSION,
  HeaderSchema,
  RowSchema,
  ShopFileError,
  TableSchema,
  type Header,
} from './format';
import { unpackedLines } from './unpacked-lines';

export type Row = readonly (string | null)[];

/** A part of a shop's file: a table begins, or some of its rows. */
export type Part =
  | { readonly kind: 'table'; readonly table: string; readonly columns: readonly string[] }
  | { readonly kind: 'row'; readonly row: Row };

const NONE = 'This is no file of a shop, or it is damaged.';

function parsed<S extends v.GenericSchema>(schema: S, line: string): v.InferOutput<S> | null {
  try {
    const read = v.safeParse(schema, JSON.parse(line));
    return read.success ? read.output : null;
  } catch {
    return null;
  }
}

/** What a file is, and how many rows it has of each table. */
export type Checked = Header & { readonly rows: Readonly<Record<string, number>> };

/**
 * Looks a file through from end to end before anything is done with it: that it is one of a shop, of a version that is
 * known here, whole, and as it was written.
 *
 * @throws ShopFileError
 */
export async function checkShopFile(file: string): Promise<Checked> {
  const hash = createHash('sha256');
  const counted: Record<string, number> = {};
  let header: Header | null = null;
  let table: Table | null = null;
  let ended = false;
  for await (const line of unpackedLines(file)) {
    if (ended) throw new ShopFileError(NONE);
    if (!header) header = headerOf(line);
    else if (line.startsWith('{"end"')) ended = mustBeRightEnd(line, counted, hash.copy().digest('hex'));
    else if (line.startsWith('{')) table = tableOf(line, counted);
    else mustBeRowOf(table, line, counted);
    hash.update(`${line}\n`);
  }
  if (!header) throw new ShopFileError(NONE);
  if (!ended)
    throw new ShopFileError(
      'This file ends too early: it was not written or copied whole. Take another one.',
    );
  return { ...header, rows: counted };
}

function headerOf(line: string): Header {
  const header = parsed(HeaderSchema, line);
  if (!header) throw new ShopFileError(NONE);
  if (header.version > FORMAT_VERSION || !isKnownStep(header.schema))
    throw new ShopFileError('This file was written by a newer Yard Spool. Bring this one up to date first.');
  return header;
}

interface Table {
  readonly table: string;
  readonly columns: readonly string[];
}

/** A table begins: each once. */
function tableOf(line: string, counted: Record<string, number>): Table {
  const table = parsed(TableSchema, line);
  if (!table || table.table in counted) throw new ShopFileError(NONE);
  counted[table.table] = 0;
  return table;
}

function mustBeRowOf(table: Table | null, line: string, counted: Record<string, number>): void {
  const row = parsed(RowSchema, line);
  if (!row || row.length !== table?.columns.length) throw new ShopFileError(NONE);
  counted[table.table] = (counted[table.table] ?? 0) + 1;
}

function mustBeRightEnd(line: string, counted: Readonly<Record<string, number>>, sha256: string): true {
  const end = parsed(EndSchema, line);
  const right =
    end?.sha256 === sha256 &&
    Object.keys(end.rows).length === Object.keys(counted).length &&
    Object.entries(end.rows).every(([table, rows]) => counted[table] === rows);
  if (right) return true;
  throw new ShopFileError('This file was changed or damaged since it was written. Take another one.');
}

/** What is in a file that was checked, part by part. */
export async function* partsOf(file: string): AsyncGenerator<Part> {
  let first = true;
  for await (const line of unpackedLines(file)) {
    if (first || line.startsWith('{"end"')) {
      first = false;
      continue;
    }
    if (line.startsWith('{')) yield { kind: 'table', ...v.parse(TableSchema, JSON.parse(line)) };
    else yield { kind: 'row', row: JSON.parse(line) as Row };
  }
}
