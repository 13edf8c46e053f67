import type { ReorderLine } from '@yard-spool/contract';
import Papa from 'papaparse';
import type { Reading } from '../context/context';
import { harmless } from '../rack-files/harmless';
import { readReorder } from './reorder';

/** One row of an order: so many packs of one size of one line. */
export interface OrderRow {
  readonly code: string;
  readonly name: string;
  readonly packMetres: number;
  readonly count: number;
  /** What one and what all of them cost, in the shop's money. */
  readonly price: number;
  readonly total: number;
}

/** What a supplier is asked for. */
export const orderRows = (lines: readonly ReorderLine[]): OrderRow[] =>
  lines.flatMap(({ product, packs }) =>
    packs.map(({ lengthMm, count, minor }) => ({
      code: product.code,
      name: product.name,
      packMetres: lengthMm / 1000,
      count,
      price: minor / 100,
      total: (minor * count) / 100,
    })),
  );

/** The order as a table for a supplier; columns as documented in docs/files.md. */
export async function orderFile(
  from: Reading,
): Promise<{ readonly name: string; readonly type: string; readonly text: AsyncGenerator<string> }> {
  const { lines } = await readReorder(from);
  const day = from.clock().toISOString().slice(0, 10);
  const rows = orderRows(lines).map((row) => ({
    line_code: harmless(row.code),
    line_name: harmless(row.name),
    pack_m: row.packMetres,
    count: row.count,
    price_each: row.price.toFixed(2),
    price_all: row.total.toFixed(2),
  }));
  const columns = ['line_code', 'line_name', 'pack_m', 'count', 'price_each', 'price_all'];
  const text = (async function* () {
    yield `\uFEFF${Papa.unparse({ fields: columns, data: rows }, { newline: '\r\n' })}\r\n`;
  })();
  return { name: `yard-spool-order-${day}.csv`, type: 'text/csv', text };
}
