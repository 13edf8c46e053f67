import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { connect, migrateAt, restoreShop, writeShopFile } from '@yard-spool/server';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { loadDemo } from './load';
import { makeSeasons } from './seasons/make';

const base = process.env.YARD_SPOOL_TEST_DATABASE ?? '';
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));
const AT = new Date('2031-03-01T02:00:00.000Z');
const admin = connect(base);
const names: string[] = [];

async function database(): Promise<string> {
  const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  names.push(name);
  const address = new URL(base);
  address.pathname = `/${name}`;
  return address.href;
}
const textOf = (file: string): string => gunzipSync(readFileSync(file)).toString('utf8');

let demo: string;
beforeAll(async () => {
  demo = await database();
  await migrateAt(demo);
  const sequelize = connect(demo);
  const today = new Date();
  await loadDemo(sequelize, today, { seasons: makeSeasons(today) });
  await sequelize.close();
});
afterAll(async () => {
  for (const name of names) await admin.query(`DROP DATABASE ${name}`);
  await admin.close();
  rmSync(folder, { recursive: true });
});

it('the demo shop goes into an empty place and comes out the same, byte for byte', async () => {
  const first = join(folder, 'first');
  const second = join(folder, 'second');
  await writeShopFile(demo, first, AT);
  const place = await database();
  await restoreShop(place, first);
  await writeShopFile(place, second, AT);
  expect(textOf(second)).toBe(textOf(first));
  expect(textOf(first)).toContain('Ternholm Sound Chandlery');
});
