import * as mariadb from 'mariadb';
import { connect } from '../db/connect';
import { migrate } from '../db/migrate';
import { ShopFileError } from './format';
import { plainConnection } from '../db/plain-connection';
import { checkShopFile, partsOf, type Row } from './read-shop-file';

const BATCH = 500;
/** Another import, or the first person, came first. */
const MEANWHILE = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);
const ROWS_DO_NOT_FIT = new Set([
  'ER_NO_SUCH_TABLE',
  'ER_BAD_FIELD_ERROR',
  'ER_DUP_ENTRY',
  'ER_BAD_NULL_ERROR',
  'ER_DATA_TOO_LONG',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
  'ER_CONSTRAINT_FAILED',
  'ER_PARSE_ERROR',
]);

/**
 * Puts a shop's file into a database that has nobody in it yet: the file is looked through first, the schema made as it
 * was when it was written, the rows put in, and then the schema brought up to date.
 *
 * @param address of the account that may change tables
 * @returns how many rows there are now
 * @throws ShopFileError where the file is none, damaged or newer, or the database is somebody's; nothing is touched then
 */
export async function restoreShop(address: string, file: string): Promise<number> {
  const { schema } = await checkShopFile(file);
  await mustBeEmpty(address);
  const sequelize = connect(address);
  try {
    await migrate(sequelize, schema);
    const rows = await putInto(address, file);
    await migrate(sequelize);
    return rows;
  } finally {
    await sequelize.close();
  }
}

async function mustBeEmpty(address: string): Promise<void> {
  const connection = await plainConnection(address);
  try {
    const [[tables] = []]: string[][] = await connection.query(
      "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = 'people'",
    );
    if (tables !== '0') await mustHaveNobody(connection);
  } finally {
    await connection.end();
  }
}

/** Nobody is there, and nobody comes while this transaction lasts. */
async function mustHaveNobody(connection: mariadb.Connection): Promise<void> {
  const [[people] = []]: string[][] = await connection.query('SELECT COUNT(*) FROM people FOR UPDATE');
  if (people !== '0')
    throw new ShopFileError('There is a shop in this place already. Nothing of it was touched.');
}

/**
 * Puts a file that was checked into a schema of its own version with nobody in it, by one transaction.
 *
 * @returns how many rows
 * @throws ShopFileError where somebody is there, or its rows do not fit; nothing is changed then
 */
export async function putInto(address: string, file: string): Promise<number> {
  const connection = await plainConnection(address);
  let all = 0;
  let into: { readonly table: string; readonly columns: readonly string[] } | null = null;
  let waiting: Row[] = [];
  const write = async (): Promise<void> => {
    if (into && waiting.length > 0) await insert(connection, into, waiting);
    all += waiting.length;
    waiting = [];
  };
  try {
    // Rows come table by table; what they refer to may come later.
    await connection.query('SET SESSION foreign_key_checks = 0');
    await connection.beginTransaction();
    await mustHaveNobody(connection);
    for await (const part of partsOf(file)) {
      if (part.kind === 'table') {
        await write();
        into = part;
        // What an empty shop begins with is in the file as the shop has it.
        await connection.query(`DELETE FROM \`${part.table}\``);
        continue;
      }
      waiting.push(part.row);
      if (waiting.length >= BATCH) await write();
    }
    await write();
    await connection.commit();
    return all;
  } catch (error) {
    if (error instanceof mariadb.SqlError && MEANWHILE.has(error.code ?? ''))
      throw new ShopFileError('Somebody began something in this shop meanwhile: nothing was imported.');
    if (error instanceof mariadb.SqlError && ROWS_DO_NOT_FIT.has(error.code ?? ''))
      throw new ShopFileError('The rows of this file do not fit: nothing was imported.');
    throw error;
  } finally {
    await connection.end();
  }
}

async function insert(
  connection: mariadb.Connection,
  { table, columns }: { readonly table: string; readonly columns: readonly string[] },
  rows: readonly Row[],
): Promise<void> {
  const names = columns.map((name) => `\`${name}\``).join(', ');
  const marks = `(${columns.map(() => '?').join(', ')})`;
  await connection.query(
    `INSERT INTO \`${table}\` (${names}) VALUES ${rows.map(() => marks).join(', ')}`,
    rows.flat(),
  );
}
