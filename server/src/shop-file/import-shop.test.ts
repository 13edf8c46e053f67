import { WORDS } from '../search/search-words';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { SavedHouseRules, ShopFile } from '@yard-spool/contract';
import { QueryTypes, type Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from '../db/connect';
import { readHouseRules } from '../shop/read-house-rules';
import { filledReel } from '../testing/filled';
import { TestShop } from '../testing/test-shop';
import { writeShopFile } from './write-shop-file';

/** What names, notes and reasons can hold: quotes, emoji, right-to-left, formulas, breaks, and what looks like markup. */
const NASTY = [
  '"\'`\\ %_',
  '\u{1F3A3}\u{1F469}\u200D\u{1F527}',
  '\u202E\u05E9\u05DC\u05D5\u05DD\u202C',
  '=1+1\t-2',
  'a\r\nb\nc',
  '<b>{x}</b>',
];
const AT = new Date('2031-03-01T02:00:00.000Z');
const folder = mkdtempSync(join(tmpdir(), 'yard-spool-'));

let shop: TestShop;
let empty: TestShop;
let admin: Sequelize;
beforeAll(async () => {
  shop = await TestShop.open();
  empty = await TestShop.open();
  await empty.force(({ tables }) => tables.people.removeAll({}));
  admin = connect(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
  const ada = await shop.as('Ada');
  const { body: house } = await ada<SavedHouseRules>('GET', '/house-rules');
  await ada('PUT', '/house-rules', { ...house, tailMm: 3210 });
  await filledReel(shop, await shop.as('Bo'), 'IS');
  await fuzzed();
});
afterAll(async () => {
  await admin.close();
  await shop.close();
  await empty.close();
  rmSync(folder, { recursive: true });
});

/** Every text of the shop that is free to be anything becomes something awkward. */
async function fuzzed(): Promise<void> {
  const columns = await admin.query<{ t: string; c: string; most: number }>(
    `SELECT table_name AS t, column_name AS c, character_maximum_length AS most FROM information_schema.columns
     WHERE table_schema = '${shop.name}' AND data_type IN ('varchar', 'text') AND column_key = ''
       AND table_name NOT IN ('schema_steps', 'schema_progress', 'sessions', 'answered_requests')
       AND column_name NOT IN ('state', 'kind', 'role', 'type', 'passcode_hash', 'texture', 'leaves', 'wound')`,
    { type: QueryTypes.SELECT },
  );
  expect(columns.length).toBeGreaterThan(25);
  for (const [i, { t, c, most }] of columns.entries()) {
    const value = Array.from(NASTY[i % NASTY.length]!)
      .slice(0, most)
      .join('');
    await admin.query(`UPDATE IGNORE ${shop.name}.\`${t}\` SET \`${c}\` = ? WHERE \`${c}\` IS NOT NULL`, {
      replacements: [value],
    });
  }
}

const addressOf = (name: string): string => {
  const address = new URL(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
  address.pathname = `/${name}`;
  return address.href;
};
const written = async (name: string): Promise<Buffer> => {
  const file = join(folder, name);
  await writeShopFile(addressOf(name), file, AT);
  return readFileSync(file);
};
const textOf = (bytes: Buffer): string => gunzipSync(bytes).toString('utf8');

async function send(
  bytes: Uint8Array,
  step: string,
): Promise<{ status: number; body: ShopFile & { detail: string } }> {
  const response = await fetch(`${empty.address}/api/sign-in/shop-file?step=${step}`, {
    method: 'POST',
    headers: { 'content-type': 'application/gzip' },
    body: new Blob([new Uint8Array(bytes)]),
  });
  return { status: response.status, body: (await response.json()) as ShopFile & { detail: string } };
}
const signed = (lines: readonly string[], rows: object): Buffer => {
  const body = lines.map((line) => `${line}\n`).join('');
  const sha256 = createHash('sha256').update(body).digest('hex');
  return gzipSync(`${body}${JSON.stringify({ end: true, rows, sha256 })}\n`);
};
const held = async () => ({
  tailMm: (await readHouseRules(empty.context)).tailMm,
  reels: await empty.context.held.of(WORDS).find('reel', ['r'], 9),
});
const people = (): Promise<number> => empty.context.tables.people.count();

describe('a shop’s file in an empty house', () => {
  it('that is damaged, of another version, or whose rows do not fit leaves the house as it was', async () => {
    const whole = await written(shop.name);
    const lines = textOf(whole).split('\n').slice(0, -2);
    const header = JSON.parse(lines[0]!) as object;
    const table = (name: string, row: unknown[]) => [
      JSON.stringify({ table: name, columns: row.map((_, i) => `c${i}`) }),
      JSON.stringify(row),
    ];
    const older = JSON.stringify({ ...header, schema: '0012-foot-switch' });
    const refused: [Uint8Array, RegExp][] = [
      [Buffer.from('no file at all'), /no file of a shop/],
      [whole.subarray(0, whole.length / 2), /no file|too early/],
      [signed([older], {}), /older Yard Spool/],
      [signed([lines[0]!, ...table('not_a_table', ['1'])], { not_a_table: 1 }), /do not fit/],
      [signed([lines[0]!, ...table('people', ['1'])], { people: 1 }), /do not fit/],
    ];
    for (const [bytes, sentence] of refused) {
      const answer = await send(bytes, 'take');
      expect(answer.status).toBe(400);
      expect(answer.body.detail).toMatch(sentence);
      expect(await people()).toBe(0);
    }
    expect((await send(whole, 'burn')).status).toBe(400);
  });

  it('is looked at first, taken whole, and comes out the same byte for byte', async () => {
    const whole = await written(shop.name);
    expect(await held()).toEqual({ tailMm: 2000, reels: [] });
    const { body: looked } = await send(whole, 'look');
    expect(looked).toMatchObject({ at: AT.toISOString(), taken: false });
    expect(looked.holds).toContainEqual({ what: 'fills', rows: 1 });
    expect(await people()).toBe(0);
    const [first, second] = await Promise.all([send(whole, 'take'), send(whole, 'take')]);
    // Two at once: one of them takes it, whichever it is.
    expect([first.status, second.status].sort()).toEqual([200, 400]);
    expect(textOf(await written(empty.name))).toBe(textOf(whole));
    for (const nasty of NASTY) expect(textOf(whole)).toContain(JSON.stringify(nasty).slice(1, -1));
    // What the server holds in memory is the new shop's.
    expect(await held()).toEqual({ tailMm: 3210, reels: [1] });
    // And its people sign in with what they had.
    expect((await send(whole, 'take')).status).toBe(403);
  });
});

describe('the whole shop', () => {
  it('is exported over HTTP by a manager alone, as the command writes it', async () => {
    const asked = async (name: 'Ada' | 'Bo') =>
      fetch(`${shop.address}/api/shop-file`, { headers: { cookie: await shop.cookieOf(name) } });
    expect((await asked('Bo')).status).toBe(403);
    const response = await asked('Ada');
    expect(response.headers.get('content-disposition')).toMatch(/yard-spool-shop-[\d-]+\.jsonl\.gz/);
    const text = textOf(Buffer.from(await response.arrayBuffer()));
    const table = (name: string, of: string): string =>
      new RegExp(`\\{"table":"${name}".*?(?=\\{"table"|\\{"end")`, 's').exec(of)?.[0] ?? name;
    expect(table('fills', text)).toBe(table('fills', textOf(await written(shop.name))));
  });
});
