import type { Customer, CustomerPage, Found } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { filledReel } from '../testing/filled';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { noteWords } from './index-words';
import { SearchWords, type WordOf } from './search-words';

/** A table of words that is read when a test says so, and can be away. */
class SlowTable {
  readonly rows: (WordOf & { kind: string })[] = [];
  readonly asked: (() => void)[] = [];
  away = false;

  readonly query = async <T extends object>(
    _sql: string,
    values: Readonly<Record<string, unknown>> = {},
  ): Promise<T[]> => {
    const { kind, word, ref } = values as unknown as WordOf & { kind: string };
    await new Promise<void>((resolve) => this.asked.push(resolve));
    if (this.away) throw new Error('The database is away.');
    const behind = this.rows.filter(
      (row) => row.kind === kind && (row.word > word || (row.word === word && row.ref > ref)),
    );
    const inOrder = behind.sort((a, b) => (a.word === b.word ? a.ref - b.ref : a.word < b.word ? -1 : 1));
    return inOrder.slice(0, 4000) as unknown as T[];
  };

  /** Answers what is asked until nothing more is. */
  async answer(): Promise<void> {
    while (this.asked.length > 0) {
      this.asked.shift()?.();
      await new Promise((resolve) => setImmediate(resolve));
    }
  }
}

describe('words held in memory', () => {
  it('are those of the table, however many, with what was changed while it was read', async () => {
    const table = new SlowTable();
    for (let ref = 1; ref <= 9000; ref += 1)
      table.rows.push({ kind: 'note', word: `w${String(ref % 7)}`, ref });
    const words = new SearchWords(table.query);
    const found = words.find('note', ['w3'], 3);
    // Nothing is read yet: one of it is taken away and one added, and the table tells only the second.
    words.changed({ kind: 'note', gone: [{ word: 'w3', ref: 8998 }], written: [{ word: 'w9', ref: 8998 }] });
    table.rows.push({ kind: 'note', word: 'w9', ref: 8998 });
    await table.answer();
    expect(await found).toEqual([8991, 8984, 8977]);
    expect(await words.find('note', ['w9'], 3)).toEqual([8998]);
    expect(await words.find('note', ['w'], 10_000)).toHaveLength(9000);
    expect(await words.find('reel', ['w'], 3)).toEqual([]);
  });

  it('are read again after a failure, and once they are another shop’s', async () => {
    const table = new SlowTable();
    table.rows.push({ kind: 'reel', word: 'moss', ref: 1 });
    const words = new SearchWords(table.query);
    table.away = true;
    const failed = expect(words.find('reel', ['moss'], 3)).rejects.toThrow('away');
    await table.answer();
    await failed;
    table.away = false;
    const again = words.find('reel', ['moss'], 3);
    await table.answer();
    expect(await again).toEqual([1]);
    table.rows[0] = { kind: 'reel', word: 'foam', ref: 2 };
    words.forget();
    const other = words.find('reel', ['moss'], 3);
    // Another one takes its place while it is read, too.
    words.forget();
    const third = words.find('reel', ['foam'], 3);
    await table.answer();
    expect([await other, await third]).toEqual([[], [2]]);
  });
});

describe('a search, between changes', () => {
  let shop: TestShop;
  let ask: Ask;
  beforeAll(async () => {
    shop = await TestShop.open();
    ask = await shop.as('Bo');
  });
  afterAll(() => shop.close());
  const customers = async (q: string): Promise<string[]> =>
    (await ask<Found>('GET', `/search?q=${q}`)).body.hits.flatMap((hit) =>
      hit.kind === 'customer' ? [hit.name] : [],
    );

  it('finds what is kept, by what it is called now, and nothing that was given up', async () => {
    expect(await customers('Harbourline')).toEqual([]);
    const [run] = await filledReel(shop, ask, 'KW', {
      bag: { customer: { name: 'Harbourline', contact: '' } },
    });
    expect(await customers('harbour')).toEqual(['Harbourline']);
    const { customer } = (await ask<{ customer: Customer }>('GET', `/reels/${run.job.tag}`)).body;
    const page = `/customers/${String(customer.id)}`;
    const { version } = (await ask<CustomerPage>('GET', page)).body;
    expect((await ask('PUT', page, { version, name: 'Northpier', contact: '' })).status).toBe(200);
    expect([await customers('harbour'), await customers('northp')]).toEqual([[], ['Northpier']]);
    const given = shop.force(async (u) => {
      const { id } = await u.tables.customers.create({ name: 'Longshore', contact: '' });
      await noteWords(u, 'customer', [id]);
      throw new Error('It is given up.');
    });
    await expect(given).rejects.toThrow('given up');
    expect(await customers('longshore')).toEqual([]);
  });

  it('finds what was kept though the answer to that was lost', async () => {
    expect(await customers('Greywater')).toEqual([]);
    const { sequelize } = shop.context;
    const keep = sequelize.transaction.bind(sequelize) as (work: unknown) => Promise<unknown>;
    const cut = vi.spyOn(sequelize, 'transaction').mockImplementationOnce(async (work: unknown) => {
      await keep(work);
      throw new Error('The link to the database broke.');
    });
    const told = shop.force(async (u) => {
      const { id } = await u.tables.customers.create({ name: 'Greywater', contact: '' });
      await noteWords(u, 'customer', [id]);
    });
    await expect(told).rejects.toThrow('broke');
    cut.mockRestore();
    expect(await customers('greywater')).toEqual(['Greywater']);
  });
});
