import type { Bag, BagRow, OpenRun, Page, ReelRow } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
const bags: Bag[] = [];
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Ada');
  const pieces = await receiveTwo(ask, 30_000);
  for (let i = 0; i < 56; i += 1) {
    // Two in each hour are promised for the same moment.
    const promisedAt = new Date(Date.UTC(2030, 0, 1, Math.floor(i / 2))).toISOString();
    const customer = { name: i === 30 ? 'Odd Fellow 50%' : `Customer ${String(i)}`, contact: '' };
    bags.push((await ask<Bag>('POST', '/bags', booking(pieces, { promisedAt, customer }))).body);
  }
});
afterAll(() => shop.close());

const page = async <T>(path: string): Promise<Page<T>> => (await ask<Page<T>>('GET', path)).body;
const numbers = (rows: readonly BagRow[]): number[] => rows.map(({ number }) => number);

/** Every page of a list, one after another. */
async function pages<T>(path: string): Promise<Page<T>[]> {
  const all: Page<T>[] = [];
  for (let after: string | null = ''; after !== null; after = all.at(-1)!.next)
    all.push(await page<T>(`${path}${path.includes('?') ? '&' : '?'}after=${encodeURIComponent(after)}`));
  return all;
}

describe('the list of bags', () => {
  it('comes in pages, the one promised soonest first, each bag once', async () => {
    const all = await pages<BagRow>('/bags');
    expect(all.map(({ rows }) => rows.length)).toEqual([50, 6]);
    expect(numbers(all.flatMap(({ rows }) => rows))).toEqual(bags.map(({ number }) => number));
    expect(all[0]!.rows[0]!.jobs).toMatchObject([{ state: 'booked', label: 'Test 3000', runId: null }]);
  });

  it('is of one group, and holds the words and the state that are looked for', async () => {
    const [first, second] = bags;
    const { body: run } = await ask<{ id: number }>('POST', '/runs', {
      jobId: first!.jobs[0]!.id,
      benchId: FIRST_BENCH,
    });
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run as never, 1, wholeFill()) });
    await ask('POST', `/runs/${run.id}/close`, {});
    // Its reel was planned again from what the first one taught.
    const { version } = (await ask<Bag>('GET', `/bags/${second!.number}`)).body;
    await ask('POST', `/bags/${second!.number}/cancel`, { version, why: 'asked' });
    expect(numbers((await page<BagRow>('/bags?group=filled')).rows)).toEqual([first!.number]);
    expect(numbers((await page<BagRow>('/bags?group=over')).rows)).toEqual([second!.number]);
    expect((await page<BagRow>('/bags?state=to-check&group=filled')).rows).toHaveLength(1);
    expect((await page<BagRow>('/bags?state=ready&group=filled')).rows).toEqual([]);
    const odd = numbers((await page<BagRow>('/bags?find=fellow%2050%25')).rows);
    expect(odd).toEqual([bags[30]!.number]);
    const tag = bags[40]!.jobs[0]!.tag;
    expect(numbers((await page<BagRow>(`/bags?find=${tag}`)).rows)).toEqual([bags[40]!.number]);
    const figures = String(Number(tag.replace(/\D/g, '')));
    for (const said of [`r${figures}`, `R-${figures}`, `r00${figures}`])
      expect(numbers((await page<BagRow>(`/bags?find=${said}`)).rows)).toEqual([bags[40]!.number]);
    expect((await page<{ tag: string }>(`/reels?q=r${figures}`)).rows.map((row) => row.tag)).toEqual([tag]);
  });

  it.each(['/bags?after=1e300_1', '/bags?after=x', '/bags?group=none', '/runs?after=-1'])(
    'refuses %s',
    async (path) => expect((await ask('GET', path)).status).toBe(400),
  );
});

describe('other lists', () => {
  it('of reels come in pages by tag', async () => {
    const all = await pages<ReelRow>('/reels');
    expect(all.map(({ rows }) => rows.length)).toEqual([50, 6]);
    expect(new Set(all.flatMap(({ rows }) => rows.map(({ tag }) => tag))).size).toBe(56);
  });

  it('of what is on the benches show only what is open, without its log', async () => {
    await ask('POST', '/runs', { jobId: bags[5]!.jobs[0]!.id, benchId: FIRST_BENCH });
    const { rows, next } = await page<OpenRun>('/runs');
    expect(rows).toMatchObject([
      {
        id: 2,
        bench: 'Bench 1',
        bagNumber: bags[5]!.number,
        customer: 'Customer 5',
        position: 1,
        reelsInBag: 1,
        tag: bags[5]!.jobs[0]!.tag,
        label: 'Test 3000',
        aside: false,
        promisedAt: bags[5]!.promisedAt,
        drawing: { layers: [{ role: 'backing' }, { role: 'main' }] },
      },
    ]);
    expect(rows[0]).not.toHaveProperty('events');
    expect(next).toBeNull();
  });
});
