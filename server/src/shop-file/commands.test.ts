import { execFile } from 'node:child_process';
import {
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { QueryTypes, type Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from '../db/connect';
import { filledReel } from '../testing/filled';
import { TestShop } from '../testing/test-shop';

/** Each command is a process of its own that reads the whole product. */
const PATIENCE_MS = 300_000;
const ROOT = join(import.meta.dirname, '..', '..', '..');
const base = process.env.YARD_SPOOL_TEST_DATABASE ?? '';
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));

let shop: TestShop;
let admin: Sequelize;
const made: string[] = [];
beforeAll(async () => {
  shop = await TestShop.open();
  admin = connect(base);
  await filledReel(shop, await shop.as('Bo'), 'CO');
});
afterAll(async () => {
  for (const name of made) await admin.query(`DROP DATABASE ${name}`);
  await admin.close();
  await shop.close();
  rmSync(folder, { recursive: true });
});

const addressOf = (name: string): string => {
  const address = new URL(base);
  address.pathname = `/${name}`;
  return address.href;
};
async function emptyDatabase(): Promise<string> {
  const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  made.push(name);
  return name;
}

/** One of the commands, as npm starts it, on a database and a data folder of the test's own. */
const command = (
  name: 'backup' | 'restore',
  database: string,
  ...args: string[]
): Promise<{ code: number; said: string }> =>
  new Promise((resolve) => {
    const env = {
      ...process.env,
      YARD_SPOOL_DATABASE: addressOf(database),
      YARD_SPOOL_DATA: join(folder, 'data'),
      YARD_SPOOL_SCHEMA_DATABASE: addressOf(database),
      YARD_SPOOL_BACKUPS: '1',
      INIT_CWD: folder,
    };
    execFile('node', [join(ROOT, 'tools', `${name}.mjs`), ...args], { env }, (error, out, problems) => {
      resolve({ code: error ? Number(error.code ?? 1) : 0, said: `${out}${problems}` });
    });
  });

const rowsOf = (file: string): string[] =>
  gunzipSync(readFileSync(file)).toString('utf8').split('\n').slice(1, -2);

describe('npm run backup and npm run restore', { timeout: PATIENCE_MS }, () => {
  it('bring a shop that is in use into an empty place: the same rows, and as many backups kept as asked for', async () => {
    for (const name of ['first', 'second']) {
      const { code, said } = await command('backup', shop.name, '--to', `${name}.jsonl.gz`);
      expect([code, said]).toEqual([0, expect.stringContaining(`${name}.jsonl.gz`)]);
    }
    const kept = readdirSync(join(folder, 'data', 'backups'));
    expect(kept).toHaveLength(1);
    expect(statSync(join(folder, 'data', 'backups', kept[0]!)).mode & 0o777).toBe(0o600);
    const place = await emptyDatabase();
    const { code, said } = await command('restore', place, 'second.jsonl.gz');
    expect([code, said]).toEqual([0, expect.stringContaining('The shop is restored')]);
    await command('backup', place, '--to', 'again.jsonl.gz');
    expect(rowsOf(join(folder, 'again.jsonl.gz'))).toEqual(rowsOf(join(folder, 'second.jsonl.gz')));
  });

  it('refuse a damaged file, and a place that has a shop, in a sentence, and touch nothing', async () => {
    const bytes = readFileSync(join(folder, 'second.jsonl.gz'));
    writeFileSync(join(folder, 'cut.jsonl.gz'), bytes.subarray(0, bytes.length - 200));
    const place = await emptyDatabase();
    const cut = await command('restore', place, 'cut.jsonl.gz');
    expect(cut.code).not.toBe(0);
    expect(cut.said).toMatch(/too early/);
    const tables = await admin.query(`SHOW TABLES FROM ${place}`, { type: QueryTypes.SHOWTABLES });
    expect(tables).toEqual([]);
    const taken = await command('restore', shop.name, 'second.jsonl.gz');
    expect(taken.code).not.toBe(0);
    expect(taken.said).toContain('There is a shop in this place already');
    expect((await command('restore', place)).said).toContain('Say one file');
  });

  it('say that a disk is full in a sentence, and leave nothing half written', async () => {
    const file = join(folder, 'full.jsonl.gz');
    symlinkSync('/dev/full', `${file}.part`);
    const main = join(ROOT, 'server', 'src', 'shop-file', 'main.ts');
    const env = { ...process.env, YARD_SPOOL_DATABASE: addressOf(shop.name) };
    const { code, said } = await new Promise<{ code: number; said: string }>((resolve) => {
      execFile(
        'node',
        ['--import', 'tsx', main, 'write', file],
        { env, cwd: ROOT },
        (error, out, problems) => {
          resolve({ code: error ? Number(error.code ?? 1) : 0, said: `${out}${problems}` });
        },
      );
    });
    expect([code, said.trim()]).toEqual([
      2,
      `${file} was not written. The disk is full. Make room, then do it again: nothing was changed.`,
    ]);
    expect(readdirSync(folder).filter((name) => name.startsWith('full'))).toEqual([]);
  });
});
