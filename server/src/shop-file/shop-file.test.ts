import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from '../db/connect';
import { migrate } from '../db/migrate';
import { filledReel } from '../testing/filled';
import { receive, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { plainConnection } from '../db/plain-connection';
import { checkShopFile } from './read-shop-file';
import { restoreShop } from './restore-shop';
import { unreadEntries } from './unread-entries';
import { writeShopFile } from './write-shop-file';

const base = process.env.YARD_SPOOL_TEST_DATABASE ?? '';
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));
const NAMES = [
  '"quoted", name',
  '=1+1',
  'emoji \u{1F3A3}\u{1F9F5}',
  '\u05E9\u05DC\u05D5\u05DD',
  "'); DROP TABLE bags; --",
  'back\\slash',
];
const AT = new Date('2031-03-01T02:00:00.000Z');

let shop: TestShop;
let ask: Ask;
let admin: Sequelize;
const made: string[] = [];
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  admin = connect(base);
  await filledReel(shop, ask, 'SF', { bag: { customer: { name: NAMES[2] ?? '', contact: NAMES[1] } } });
  for (const [i, name] of NAMES.entries())
    await receive(ask, `SF-${String(i)}00`, 50, { place: name.slice(0, 40), lot: name.slice(0, 40) });
  const lines = 'a note\nwith another line\tand a tab';
  await shop.force(({ tables }) => tables.bags.changeAll({ notes: lines }, { id: 1 }));
});
afterAll(async () => {
  for (const name of made) await admin.query(`DROP DATABASE ${name}`);
  await admin.close();
  await shop.close();
  rmSync(folder, { recursive: true });
});

/** A database with nothing in it. */
async function emptyDatabase(): Promise<string> {
  const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  made.push(name);
  return at(name);
}
function at(name: string): string {
  const address = new URL(base);
  address.pathname = `/${name}`;
  return address.href;
}
const asked = async (address: string, sql: string): Promise<string[][]> => {
  const connection = await plainConnection(address);
  try {
    return await connection.query(sql);
  } finally {
    await connection.end();
  }
};
const written = async (address: string, name: string): Promise<string> => {
  const file = join(folder, name);
  await writeShopFile(address, file, AT);
  return file;
};
const linesOf = (file: string): string[] => gunzipSync(readFileSync(file)).toString('utf8').split('\n');

describe('a shop’s file', () => {
  it('goes into an empty place and comes out the same, byte for byte', async () => {
    const first = await written(at(shop.name), 'first');
    expect(statSync(first).mode & 0o777).toBe(0o600);
    const place = await emptyDatabase();
    const rows = await restoreShop(place, first);
    expect(rows).toBeGreaterThan(100);
    const second = await written(place, 'second');
    expect(linesOf(second)).toEqual(linesOf(first));
    const text = linesOf(first).join('\n');
    for (const name of NAMES) expect(text).toContain(JSON.stringify(name));
    // Whoever was signed in is not in it.
    expect(text).not.toContain('"table":"sessions"');
  });

  it('with something in it that cannot be read is restored all the same, and it is named', async () => {
    const place = await emptyDatabase();
    await restoreShop(place, await written(at(shop.name), 'unread'));
    expect(await unreadEntries(place)).toEqual([]);
    const [[line] = []] = await asked(place, 'SELECT code FROM products LIMIT 1');
    await asked(place, `UPDATE products SET maker = '{"soakHours":999}' WHERE code = '${line ?? ''}'`);
    await asked(place, `UPDATE benches SET devices = '[{"name":"reed 999"}]' LIMIT 1`);
    const named = await unreadEntries(place);
    expect(named).toContain(`products ${line ?? ''}: maker`);
    expect(named.find((one) => one.startsWith('benches'))).toMatch(/^benches id \d+: devices\.0/);
    expect(named.join()).not.toContain('999');
  });

  it('is one moment of the shop, however much is written meanwhile', async () => {
    const still = { writing: true };
    const work = (async () => {
      for (let i = 0; still.writing; i += 1) await receive(ask, `SG-${String(i)}`, 10);
    })();
    const files = [];
    for (let i = 0; i < 3; i += 1) files.push(await written(at(shop.name), `busy-${String(i)}`));
    still.writing = false;
    await work;
    for (const file of files) {
      const place = await emptyDatabase();
      await restoreShop(place, file);
      const sums = await asked(
        place,
        `SELECT pieces.code FROM pieces LEFT JOIN moves ON moves.piece_id = pieces.id
         GROUP BY pieces.id, pieces.code, pieces.length_mm
         HAVING COALESCE(SUM(moves.length_mm), 0) <> pieces.length_mm`,
      );
      expect(sums).toEqual([]);
    }
  });

  it('of an older version is brought up to date', async () => {
    const old = await emptyDatabase();
    const sequelize = connect(old);
    await migrate(sequelize, '0012-foot-switch');
    await sequelize.query(
      "INSERT INTO people (name, role, passcode_hash, created_at) VALUES ('Older', 'manager', 'x', NOW())",
    );
    await sequelize.query("INSERT INTO customers (name) VALUES ('Before Search')");
    await sequelize.close();
    const place = await emptyDatabase();
    await restoreShop(place, await written(old, 'old'));
    const people = await asked(place, 'SELECT name, version FROM customers');
    const [[step] = []] = await asked(place, 'SELECT MAX(name) FROM schema_steps');
    expect(people).toEqual([['Before Search', '1']]);
    expect((step ?? '') > '0014').toBe(true);
  });
});

describe('is refused before anything is touched', () => {
  const refused = async (bytes: Uint8Array | string, sentence: RegExp): Promise<void> => {
    const file = join(folder, 'bad');
    writeFileSync(file, bytes);
    const place = await emptyDatabase();
    await expect(restoreShop(place, file)).rejects.toThrow(sentence);
    expect(await asked(place, 'SHOW TABLES')).toEqual([]);
  };
  const signed = (lines: readonly string[]): Uint8Array => {
    const body = lines.map((line) => `${line}\n`).join('');
    const sha256 = createHash('sha256').update(body).digest('hex');
    return gzipSync(`${body}${JSON.stringify({ end: true, rows: {}, sha256 })}\n`);
  };
  const HEADER = { format: 'yard-spool-shop', version: 1, schema: '0015-record', at: 'x' };

  it('a file that is none, is cut short, or was changed', async () => {
    const bytes = readFileSync(await written(at(shop.name), 'whole'));
    const lines = linesOf(join(folder, 'whole')).slice(0, -1);
    await refused('nothing like it', /no file of a shop/);
    await refused('', /no file of a shop|too early/);
    await refused(gzipSync('{"a":1}\n'), /no file of a shop/);
    await refused(bytes.subarray(0, bytes.length / 2), /too early/);
    await refused(gzipSync(`${lines.slice(0, -1).join('\n')}\n`), /too early/);
    const changed = lines.map((line) => line.replace('Test nylon 0.26', 'Test nylon 0.62'));
    await refused(gzipSync(`${changed.join('\n')}\n`), /changed or damaged/);
    const fewer = lines.filter((_, i) => i !== lines.findIndex((line) => line.startsWith('[')));
    await refused(gzipSync(`${fewer.join('\n')}\n`), /changed or damaged/);
    for (let i = 0; i < 12; i += 1) {
      const flipped = Buffer.from(bytes);
      const place = Math.floor((bytes.length / 12) * i) + 12;
      flipped.writeUInt8(flipped.readUInt8(place) ^ 0x10, place);
      writeFileSync(join(folder, 'bad'), flipped);
      await expect(checkShopFile(join(folder, 'bad'))).rejects.toThrow(/damaged|too early|no file/);
    }
  });

  it('a file of a newer version, of a table with another name, or that is not there', async () => {
    await refused(signed([JSON.stringify({ ...HEADER, schema: '9999-later' })]), /newer Yard Spool/);
    await refused(signed([JSON.stringify({ ...HEADER, version: 2 })]), /newer Yard Spool/);
    const table = JSON.stringify({ table: 'people; DROP', columns: ['id'] });
    await refused(signed([JSON.stringify(HEADER), table]), /no file of a shop/);
    await expect(restoreShop(await emptyDatabase(), join(folder, 'not-there'))).rejects.toThrow(/no file/);
  });

  it('an empty place writes nothing', async () => {
    await expect(written(await emptyDatabase(), 'nothing')).rejects.toThrow(/no shop here yet/);
    expect(existsSync(join(folder, 'nothing'))).toBe(false);
    expect(existsSync(join(folder, 'nothing.part'))).toBe(false);
  });

  it('a place that is somebody’s', async () => {
    const file = await written(at(shop.name), 'again');
    await expect(restoreShop(at(shop.name), file)).rejects.toThrow(/a shop in this place already/);
    expect((await ask('GET', '/bags')).status).toBe(200);
  });
});
