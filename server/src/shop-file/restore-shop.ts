import type { Connection } from 'mariadb';
import { connect } from '../db/connect';
import { migrate } from '../db/migrate';
import { ShopFileError } from './format';
import { plainConnection } from './plain-connection';
import { checkShopFile, partsOf, type Row } from './read-shop-file';

const BATCH = 500;

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
    const rows = await putIn(address, file);
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
    if (tables === '0') return;
    const [[people] = []]: string[][] = await connection.query('SELECT COUNT(*) FROM people');
    if (people !== '0')
      throw new ShopFileError('There is a shop in this place already. Nothing of it was touched.');
  } finally {
    await connection.end();
  }
}

async function putIn(address: string, file: string): Promise<number> {
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
  } finally {
    await connection.end();
  }
}

async function insert(
  connection: Connection,
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
