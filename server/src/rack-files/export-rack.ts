import { FILE_COLUMNS, type RackFile } from '@yard-spool/contract';
import Papa from 'papaparse';
import type { Reading } from '../context/context';
import { harmless } from './harmless';
import { ROWS, type FileRow } from './rack-rows';

/** A file on its way out: its name, what it is, and its text piece by piece. */
export interface OutgoingFile {
  readonly name: string;
  readonly type: string;
  readonly text: AsyncGenerator<string>;
}

/** Products, pieces, the ledger or the reel book as a file to export; columns as documented in docs/files.md. */
export function exportRack(
  from: Reading,
  { what, format }: { readonly what: RackFile; readonly format: 'csv' | 'json' },
): OutgoingFile {
  const day = from.clock().toISOString().slice(0, 10);
  const name = `yard-spool-${what}-${day}.${format}`;
  const rows = ROWS[what](from);
  const columns = FILE_COLUMNS[what];
  return format === 'json'
    ? { name, type: 'application/json', text: asJson(rows, columns) }
    : { name, type: 'text/csv', text: asCsv(rows, columns) };
}

const inColumns = (row: FileRow, columns: readonly string[]): FileRow =>
  Object.fromEntries(columns.map((column) => [column, row[column] ?? '']));

async function* asJson(
  batches: AsyncIterable<FileRow[]>,
  columns: readonly string[],
): AsyncGenerator<string> {
  let begun = false;
  // A piece for each batch: one for each row would be sent as a packet of its own.
  for await (const rows of batches) {
    if (rows.length === 0) continue;
    const texts = rows.map((row) =>
      JSON.stringify(inColumns(row, columns), null, 2).replaceAll('\n', '\n  '),
    );
    yield `${begun ? ',' : '['}\n  ${texts.join(',\n  ')}`;
    begun = true;
  }
  yield begun ? '\n]\n' : '[]\n';
}

const cell = (value: string | number): string | number =>
  typeof value === 'string' ? harmless(value) : value;

async function* asCsv(batches: AsyncIterable<FileRow[]>, columns: readonly string[]): AsyncGenerator<string> {
  const line = { newline: '\r\n' } as const;
  yield `\uFEFF${Papa.unparse([[...columns]], line)}\r\n`;
  for await (const rows of batches) {
    if (rows.length === 0) continue;
    const data = rows.map((row) => Object.values(inColumns(row, columns)).map(cell));
    yield `${Papa.unparse(data, line)}\r\n`;
  }
}
