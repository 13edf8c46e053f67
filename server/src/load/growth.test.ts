// A shop of ten times as many years is read as little as a young one: rows that the database reads are counted, no time.
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';
import { questions, shownOf } from './asked';
import { writeShop } from './write-shop';

/** Fills of a year, the same in both shops. */
const A_YEAR = 500;
const YEARS = { young: 2.4, old: 24 } as const;

/** Rows that may be read for each row shown, and for what stands around them. */
const FOR_EACH = 20;
const BESIDES = 100;
/** Questions to the database a route may ask. */
const QUERIES = 12;
/** What reads many by its nature, and how many at most. */
const MANY: Readonly<Record<string, number>> = {
  // Looks all the books through for what cannot be read.
  '/unread': Infinity,
  // Sorts by their tags the three hundred that match.
  '/reels': 2000,
  // Adds up what was used in a season, and what lies on reels that are due within a year.
  '/reorder': 4500,
  // Asks what the last thousand reels were filled like.
  '/house-rules/habits': 3200,
};

const shops = new Map<keyof typeof YEARS, TestShop>();
beforeAll(async () => {
  for (const age of ['young', 'old'] as const) {
    const shop = await TestShop.open();
    const fills = A_YEAR * YEARS[age];
    const much = { fills, reels: fills / 4, customers: fills / 12, bags: fills / 2, years: YEARS[age] };
    await writeShop(shop, { ...much, products: 12, pieces: fills / 20, lots: 6 }, new Date());
    shops.set(age, shop);
  }
});
afterAll(async () => {
  for (const shop of shops.values()) await shop.close();
});

interface Read {
  readonly status: number;
  readonly rows: number;
  readonly queries: number;
  readonly shown: number;
}

/** What each route reads in a shop, asked once before: what is held in memory is no growth. */
async function readsOf(shop: TestShop): Promise<ReadonlyMap<string, Read>> {
  const ask = await shop.as('Ada');
  const count = await shop.rowsRead();
  const reads = new Map<string, Read>();
  for (const { path, address } of questions()) {
    await ask('GET', address);
    let answer = { status: 0, body: undefined as unknown };
    let queries = 0;
    const rows = await count(async () => {
      const before = shop.asked.queries;
      answer = await ask<unknown>('GET', address);
      queries = shop.asked.queries - before;
    });
    reads.set(path, { rows, queries, status: answer.status, shown: shownOf(answer.body) });
  }
  return reads;
}

describe('what a route reads', () => {
  it('does not grow with all there is', async () => {
    const young = await readsOf(shops.get('young')!);
    const old = await readsOf(shops.get('old')!);
    expect([...old.values()].filter(({ status }) => status === 200).length).toBeGreaterThan(35);
    expect([...old].filter(([, { status }]) => status >= 500)).toEqual([]);
    const grows = [...old].filter(([path, { rows, shown }]) => {
      const most = MANY[path] ?? Math.max(FOR_EACH * shown + BESIDES, 1.3 * (young.get(path)?.rows ?? 0));
      return rows > most;
    });
    expect(grows).toEqual([]);
    // One for the session among them.
    const bounded = [...old].filter(([path]) => MANY[path] !== Infinity);
    expect(bounded.filter(([, { queries }]) => queries > QUERIES)).toEqual([]);
  });

  it('is counted: a table that is read whole shows', async () => {
    const shop = shops.get('old')!;
    const count = await shop.rowsRead();
    const rows = await count(() => shop.context.tables.fills.findAll({ attributes: ['id', 'gapRead'] }));
    expect(rows).toBe(A_YEAR * YEARS.old);
  });
});
