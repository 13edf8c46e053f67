import { QueryTypes, type Sequelize } from 'sequelize';
import { expect, it, vi } from 'vitest';
import { connect } from './connect';
import { migrate, NewerDatabase } from './migrate';
import { storageTrouble } from './database-errors';

/** Works on an empty database that is thrown away. */
async function inOwnDatabase(work: (shop: Sequelize) => Promise<void>): Promise<void> {
  const base = process.env.YARD_SPOOL_TEST_DATABASE ?? '';
  const admin = connect(base);
  const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const address = new URL(base);
  address.pathname = `/${name}`;
  const shop = connect(address.href);
  try {
    await work(shop);
  } finally {
    await shop.close();
    await admin.query(`DROP DATABASE ${name}`);
    await admin.close();
  }
}

it('a shop from before benches had numbers keeps every run at its bench, and its logs in order', async () => {
  await inOwnDatabase(async (shop) => {
    await migrate(shop, '0006-best-estimate');
    const now = 'NOW(3)';
    const run = (id: number, bench: string, state: string): string =>
      `INSERT INTO runs (id, job_id, bench, state, opened_at, made_under) VALUES (${id}, ${id}, '${bench}', '${state}', ${now}, '{}')`;
    for (const statement of [
      'SET FOREIGN_KEY_CHECKS = 0',
      `INSERT INTO benches (name, span_mm, hand, devices) VALUES ('Window', 1800, 'left', '[]')`,
      run(1, 'Window', 'open'),
      run(2, 'Shed', 'closed'),
      run(3, 'Shed', 'open'),
      ...[2, 1].map(
        (seq) =>
          `INSERT INTO run_events (id, run_id, seq, kind, at, by_id, payload)
           VALUES ('${crypto.randomUUID()}', 1, ${seq}, 'turns', ${now}, 1, '{}')`,
      ),
      'SET FOREIGN_KEY_CHECKS = 1',
    ])
      await shop.query(statement);
    expect((await migrate(shop))[0]).toBe('0007-run-log');
    const benches = await shop.query(
      'SELECT benches.name, span_mm, run_id, COUNT(runs.id) AS runs FROM benches JOIN runs ON runs.bench_id = benches.id GROUP BY benches.id ORDER BY name',
      { type: QueryTypes.SELECT },
    );
    expect(benches).toEqual([
      { name: 'Shed', span_mm: 1500, run_id: 3, runs: 2 },
      { name: 'Window', span_mm: 1800, run_id: 1, runs: 1 },
    ]);
    const events = await shop.query('SELECT seq FROM run_events WHERE run_id = 1', {
      type: QueryTypes.SELECT,
    });
    expect(events).toEqual([{ seq: 1 }, { seq: 2 }]);
  });
});

/** Whether a statement changes the schema: nothing else can be written down in the same breath. */
const changesSchema = (sql: unknown): boolean =>
  typeof sql === 'string' && /^\s*(CREATE|ALTER|DROP)\b/i.test(sql) && !/schema_(progress|steps)/.test(sql);

const columnsOf = (shop: Sequelize) =>
  shop.query(
    `SELECT table_name, column_name, column_type, is_nullable, column_default FROM information_schema.columns
     WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position`,
    { type: QueryTypes.SELECT },
  );

it('a start that is killed behind every single statement is taken up there, and comes to the same schema', async () => {
  await inOwnDatabase(async (whole) => {
    await migrate(whole);
    await inOwnDatabase(async (killed) => {
      const query = killed.query.bind(killed) as (...of: unknown[]) => Promise<unknown>;
      // Each statement once: killed behind it, it is done again and passed over.
      const hit = new Set<unknown>();
      let done = false;
      while (!done) {
        const spy = vi.spyOn(killed, 'query').mockImplementation((async (...of: unknown[]) => {
          const result = await query(...of);
          if (!changesSchema(of[0]) || hit.has(of[0])) return result;
          hit.add(of[0]);
          throw new Error('killed');
        }) as never);
        try {
          await migrate(killed);
          done = true;
        } catch (error) {
          expect(String(error)).toContain('killed');
        } finally {
          spy.mockRestore();
        }
      }
      expect(hit.size).toBeGreaterThan(40);
      expect(await columnsOf(killed)).toEqual(await columnsOf(whole));
      expect(await migrate(killed)).toEqual([]);
    });
  });
});

it('an error that is none of being done before is told', async () => {
  await inOwnDatabase(async (shop) => {
    await shop.query('CREATE TABLE products (id INT)');
    await expect(migrate(shop)).rejects.toThrow();
  });
});

it('a database that a newer version has opened is refused in a sentence, and left as it is', async () => {
  await inOwnDatabase(async (shop) => {
    await migrate(shop);
    await shop.query("INSERT INTO schema_steps (name) VALUES ('9999-from-the-future')");
    const tables = (): Promise<object[]> => shop.query('SHOW TABLES', { type: QueryTypes.SELECT });
    const before = await tables();
    await expect(migrate(shop)).rejects.toThrow(NewerDatabase);
    await expect(migrate(shop)).rejects.toThrow('opened by a newer Yard Spool');
    expect(await tables()).toEqual(before);
    await shop.query("DELETE FROM schema_steps WHERE name = '9999-from-the-future'");
    expect(await migrate(shop)).toEqual([]);
  });
});

it('an account that may not change tables is told so in words, not in SQL', async () => {
  const app = connect(process.env.YARD_SPOOL_TEST_APP ?? '');
  try {
    const error: unknown = await app
      .query('CREATE TABLE not_mine (id INT)')
      .catch((refused: unknown) => refused);
    expect(storageTrouble(error)).toMatch(/^The database account may not do this\./);
    expect(storageTrouble(error)).not.toContain('CREATE');
  } finally {
    await app.close();
  }
});
