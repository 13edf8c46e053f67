import Papa from 'papaparse';
import type { Reading } from '../context/context';
import { orderRows } from '../cuts/order-rows';
import { readReorder } from '../cuts/reorder';
import type { OutgoingFile } from './export-rack';
import { harmless } from './harmless';

const COLUMNS = ['line_code', 'line_name', 'pack_m', 'count', 'price_each', 'price_all'];

/** The order as a table for a supplier; columns as documented in docs/files.md. */
export function orderFile(from: Reading): OutgoingFile {
  const day = from.clock().toISOString().slice(0, 10);
  return { name: `yard-spool-order-${day}.csv`, type: 'text/csv', text: rowsOf(from) };
}

async function* rowsOf(from: Reading): AsyncGenerator<string> {
  const { lines } = await readReorder(from);
  const data = orderRows(lines).map((row) => [
    harmless(row.code),
    harmless(row.name),
    row.packMetres,
    row.count,
    row.price.toFixed(2),
    row.total.toFixed(2),
  ]);
  yield `\uFEFF${Papa.unparse({ fields: COLUMNS, data }, { newline: '\r\n' })}\r\n`;
}
