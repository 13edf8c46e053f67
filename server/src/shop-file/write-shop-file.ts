import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import type { Connection } from 'mariadb';
import { lastStep } from '../db/migrate';
import { FORMAT, FORMAT_VERSION, ShopFileError } from './format';
import { plainConnection } from '../db/plain-connection';

/** Not the shop's: how its schema was made, and who is signed in. */
const LEFT_OUT = new Set(['schema_steps', 'schema_progress', 'sessions', 'answered_requests']);
/** Rows that are written at once. */
const BATCH = 500;

/**
 * Writes a whole shop into one file, as it stands at one moment however much is written meanwhile. The file appears once it
 * is whole, readable by its owner alone.
 *
 * @returns how many rows were written
 */
export async function writeShopFile(address: string, file: string, at: Date): Promise<number> {
  const connection = await plainConnection(address);
  const begun = `${file}.part`;
  const counted = { rows: 0 };
  try {
    await connection.query('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    await pipeline(
      Readable.from(linesOf(connection, at, counted)),
      createGzip(),
      createWriteStream(begun, { mode: 0o600 }),
    );
    await rename(begun, file);
    return counted.rows;
  } finally {
    await rm(begun, { force: true });
    await connection.end();
  }
}

async function* linesOf(connection: Connection, at: Date, counted: { rows: number }): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const line = (value: unknown): string => {
    const text = `${JSON.stringify(value)}\n`;
    hash.update(text);
    return text;
  };
  const schema = await lastStep(connection);
  if (schema === '') throw new ShopFileError('There is no shop here yet: nothing was written.');
  yield line({ format: FORMAT, version: FORMAT_VERSION, schema, at: at.toISOString() });
  const rows: Record<string, number> = {};
  for (const { table, columns, key } of await tablesOf(connection)) {
    yield line({ table, columns });
    rows[table] = 0;
    for await (const batch of rowsOf(connection, table, columns, key)) {
      rows[table] += batch.length;
      counted.rows += batch.length;
      yield batch.map((row) => line(row)).join('');
    }
  }
  yield `${JSON.stringify({ end: true, rows, sha256: hash.digest('hex') })}\n`;
}

interface TableToWrite {
  readonly table: string;
  readonly columns: readonly string[];
  /** Columns of its primary key, by which its rows are in one order. */
  readonly key: readonly string[];
}

async function tablesOf(connection: Connection): Promise<TableToWrite[]> {
  const columns: [string, string][] = await connection.query(
    `SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = DATABASE() AND is_generated = 'NEVER'
     ORDER BY table_name, ordinal_position`,
  );
  const keys: [string, string][] = await connection.query(
    `SELECT table_name, column_name FROM information_schema.key_column_usage
     WHERE table_schema = DATABASE() AND constraint_name = 'PRIMARY' ORDER BY table_name, ordinal_position`,
  );
  const of = (pairs: readonly [string, string][], table: string): string[] =>
    pairs.flatMap(([one, column]) => (one === table ? [column] : []));
  return [...new Set(columns.map(([table]) => table))]
    .filter((table) => !LEFT_OUT.has(table))
    .map((table) => ({ table, columns: of(columns, table), key: of(keys, table) }));
}

const quoted = (names: readonly string[]): string => names.map((name) => `\`${name}\``).join(', ');

type Row = readonly (string | null)[];

/**
 * A table's rows in the order of its key, some at a time, as they are read: asked for once, so that no row is told twice or
 * left out, whatever its key is made of.
 */
async function* rowsOf(
  connection: Connection,
  table: string,
  columns: readonly string[],
  key: readonly string[],
): AsyncGenerator<Row[]> {
  const rows = connection.queryStream(
    `SELECT ${quoted(columns)} FROM \`${table}\` ORDER BY ${quoted(key)}`,
  ) as AsyncIterable<Row>;
  let batch: Row[] = [];
  for await (const row of rows) {
    batch.push(row);
    if (batch.length < BATCH) continue;
    yield batch;
    batch = [];
  }
  if (batch.length > 0) yield batch;
}
