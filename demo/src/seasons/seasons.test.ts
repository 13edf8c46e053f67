import { FillSchema } from '@yard-spool/contract';
import { addPerson, connect, migrateAt, openShop, readReel } from '@yard-spool/server';
import { kindKey } from '@yard-spool/core';
import * as v from 'valibot';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_PEOPLE } from '../people';
import { SEASON_KINDS } from './kinds';
import { makeSeasons } from './make';
import { writeSeasons, type HiddenTruth } from './write';

const admin = connect(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;

let sequelize: ReturnType<typeof connect>;
let context: ReturnType<typeof openShop>;
let truth: HiddenTruth;
beforeAll(async () => {
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const address = new URL(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
  address.pathname = `/${name}`;
  await migrateAt(address.href);
  sequelize = connect(address.href);
  context = openShop(sequelize);
  const people = [];
  for (const { name: who, role, passcode } of DEMO_PEOPLE)
    people.push(await addPerson(context, who, role, passcode));
  truth = await writeSeasons(context, people, await makeSeasons(new Date('2031-11-27T12:00:00.000Z')));
});
afterAll(async () => {
  await sequelize.close();
  await admin.query(`DROP DATABASE ${name}`);
  await admin.close();
});

interface Believed {
  readonly scope: 'kind' | 'line';
  readonly name: string;
  readonly median: number;
  readonly sd: number;
}

describe('the seasons behind the demo', () => {
  it('are all there, and every reel’s page can be read', async () => {
    const [count] = await context.query<{ fills: number; customers: number; reels: number; types: number }>(
      `SELECT (SELECT COUNT(*) FROM fills) AS fills, (SELECT COUNT(*) FROM customers) AS customers,
         COUNT(*) AS reels, COUNT(DISTINCT type) AS types FROM reels`,
    );
    expect(count).toMatchObject({ customers: 40, types: 5 });
    expect(count?.fills).toBeGreaterThan(180);
    expect(count?.reels).toBeGreaterThan(105);
    const reels = await context.tables.reels.findAll();
    for (const { tag } of reels) {
      const { fills } = await readReel(context, tag);
      for (const fill of fills) expect(v.is(FillSchema, fill)).toBe(true);
    }
  });

  it('leave each piece with the sum of its ledger, never below zero', async () => {
    const off = await context.query(
      `SELECT pieces.code FROM pieces LEFT JOIN moves ON moves.piece_id = pieces.id
       GROUP BY pieces.id, pieces.code, pieces.length_mm
       HAVING COALESCE(SUM(moves.length_mm), 0) <> pieces.length_mm OR pieces.length_mm < 0`,
    );
    expect(off).toEqual([]);
  });

  it('teach what they were made from: what was learned lies about the hidden truth', async () => {
    const rows = await context.query<Believed>(
      "SELECT scope, name, median, sd FROM learned WHERE scope IN ('kind', 'line') AND fills >= 10",
    );
    const kinds = new Map(SEASON_KINDS.map((kind) => [kindKey(kind), truth.kinds.get(kindKey(kind)) ?? 0]));
    const apart = rows.map(({ scope, name: of, median, sd }) => {
      const truly = scope === 'kind' ? kinds.get(of) : [...truth.lines].find(([code]) => code === of)?.[1];
      return Math.abs(Math.log(median / (truly ?? NaN))) / sd;
    });
    expect(apart.length).toBeGreaterThan(12);
    // Packing and bulk are seen together, each known only against the other: no one of them far off.
    expect(Math.max(...apart)).toBeLessThan(3);
    expect(apart.filter((by) => by < 1.5).length / apart.length).toBeGreaterThan(0.7);
  });

  it('tell ranges that hold what truly went on about as often as they say', async () => {
    const rows = await context.query<{ fillId: number; layer: string; low: number; high: number }>(
      `SELECT fill_id AS fillId, layer, likely_low_mm AS low, likely_high_mm AS high FROM fill_layers`,
    );
    const inside = rows.filter(({ fillId, layer, low, high }) => {
      const truly = 1000 * (truth.metres.get(fillId)?.[layer] ?? 0);
      return truly >= low && truly <= high;
    });
    const share = inside.length / rows.length;
    expect(share).toBeGreaterThan(0.7);
    expect(share).toBeLessThan(0.97);
  });
});
