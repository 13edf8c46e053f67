import type { HouseChange, UnreadFact } from '@yard-spool/contract';
import type { Model, ModelStatic } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { defineModels } from '../db/tables';
import { connect } from '../db/connect';
import { codeOf } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { BOOK_TABLES } from './book-facts';
import { said } from '../testing/said';

let shop: TestShop;
beforeAll(async () => void (shop = await TestShop.open()));
afterAll(() => shop.close());

const sql = (text: string): Promise<unknown> => shop.context.sequelize.query(text);
const unread = async (): Promise<UnreadFact[]> =>
  (await (await shop.as('Ada'))<UnreadFact[]>('GET', '/unread')).body;
const wrongAt = async (table: string, field: string): Promise<UnreadFact> => {
  const found = (await unread()).find((one) => one.table === table && one.field === field);
  if (!found) throw new Error(`${table}.${field} is not among what cannot be read.`);
  return found;
};

describe('what cannot be read', () => {
  it('is nothing in a shop that was only ever changed here', async () => {
    expect(await unread()).toEqual([]);
  });

  it('takes its entry out of the list, is shown as it is stored, and is there again once it is mended', async () => {
    const ada = await shop.as('Ada');
    const before = await ada<{ name: string }[]>('GET', '/benches');
    await sql('UPDATE benches SET span_mm = 50');
    const without = await ada('GET', '/benches');
    expect(without.body).toEqual([]);
    expect(without.headers.get('x-unread-rows')).toBe(String(before.body.length));

    const { id, stands, says, wrong, ...rest } = await wrongAt('benches', 'spanMm');
    expect([stands, says, said(wrong)]).toEqual([
      '50',
      'Clear length, mm',
      'A clear length is at least 0.2 m.',
    ]);
    expect(rest.choices).toEqual([]);
    const mend = { table: 'benches', id, field: 'spanMm', stands };
    const stillWrong = await ada('PUT', '/unread', { ...mend, is: '60' });
    expect([stillWrong.status, stillWrong.body]).toMatchObject([
      400,
      { detail: 'A clear length is at least 0.2 m.', errors: [{ path: 'is' }] },
    ]);
    expect((await ada('PUT', '/unread', { ...mend, is: '1500' })).status).toBe(200);
    expect((await ada('GET', '/benches')).body).toEqual([{ ...before.body[0], spanMm: 1500 }]);
    const changes = await ada<HouseChange[]>('GET', '/house-rules/changes');
    expect(changes.body[0]).toMatchObject({
      about: `Bench ${String(id)}: Clear length, mm`,
      was: '50',
      is: '1500',
      by: 'Ada',
    });
  });

  it('is mended against what was looked at, where it cannot be read, and by a manager', async () => {
    const ada = await shop.as('Ada');
    const bo = await shop.as('Bo');
    await sql(`INSERT INTO rule_exceptions (scope, sort, question, school, why, at, by_id)
      VALUES ('type', 'trolling', 'colour', 'red', 'They like it', '2031-02-03', 1)`);
    const { id, stands, choices, entry } = await wrongAt('ruleExceptions', 'question');
    expect([entry, stands]).toEqual([`Exception ${String(id)}, They like it`, 'colour']);
    expect(choices).toContain('soak');
    const mend = { table: 'ruleExceptions', id, field: 'question', stands, is: 'soak' };
    expect(codeOf(await bo('GET', '/unread'))).toBe('not-allowed');
    expect(codeOf(await bo('PUT', '/unread', mend))).toBe('not-allowed');
    expect(codeOf(await ada('PUT', '/unread', { ...mend, stands: 'tint' }))).toBe('stale-version');
    expect(codeOf(await ada('PUT', '/unread', { ...mend, id: 99 }))).toBe('not-found');
    expect(codeOf(await ada('PUT', '/unread', { ...mend, field: 'id' }))).toBe('not-found');
    expect(codeOf(await ada('PUT', '/unread', { ...mend, table: 'sessions' }))).toBe('not-found');
    expect((await ada('PUT', '/unread', mend)).status).toBe(200);
    const again = await ada('PUT', '/unread', { ...mend, stands: 'soak', is: 'judgeTwistBy' });
    expect([codeOf(again), (again.body as { detail: string }).detail]).toEqual([
      'bad-request',
      'This can be read. Change it on its own screen.',
    ]);
  });

  it('may have parts, and an instant: both are typed as they are shown', async () => {
    const ada = await shop.as('Ada');
    await sql(`UPDATE benches SET devices = '[{"name":""}]'`);
    const devices = await wrongAt('benches', 'devices');
    const mend = { table: 'benches', id: devices.id, field: 'devices', stands: devices.stands };
    expect(devices.stands).toBe('[{"name":""}]');
    const broken = await ada('PUT', '/unread', { ...mend, is: '[{' });
    expect((broken.body as { detail: string }).detail).toContain('This is not JSON');
    expect((await ada('PUT', '/unread', { ...mend, is: '[]' })).status).toBe(200);

    await sql("UPDATE people SET created_at = '1301-02-03 00:00:00' WHERE name = 'Bo'");
    const since = await wrongAt('people', 'createdAt');
    expect(since).toMatchObject({
      stands: '1301-02-03T00:00:00.000Z',
      entry: `Person ${String(since.id)}, Bo`,
    });
    const { table, id, field, stands } = since;
    const is = '2031-02-03T00:00:00.000Z';
    expect((await ada('PUT', '/unread', { table, id, field, stands, is })).status).toBe(200);
    expect(await unread()).toEqual([]);
  });

  it('is looked for in facts that are there', () => {
    const models = defineModels(connect('mariadb://nobody@127.0.0.1:1/none'));
    const missing = BOOK_TABLES.flatMap(({ table, named, facts }) =>
      [...named, ...facts.map(({ field }) => field)].filter(
        (one) => !(one in (models[table] as ModelStatic<Model>).getAttributes()),
      ),
    );
    expect(missing).toEqual([]);
  });
});
