import { QueryTypes } from 'sequelize';
import { expect, it } from 'vitest';
import { connect } from './connect';
import { migrate } from './migrate';

it('a shop from before benches had numbers keeps every run at its bench, and its logs in order', async () => {
  const base = process.env.YARD_SPOOL_TEST_DATABASE ?? '';
  const admin = connect(base);
  const name = `test_${crypto.randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const address = new URL(base);
  address.pathname = `/${name}`;
  const shop = connect(address.href);
  try {
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
  } finally {
    await shop.close();
    await admin.query(`DROP DATABASE ${name}`);
    await admin.close();
  }
});
