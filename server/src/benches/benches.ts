import type { Bench, NewBench, Person } from '@yard-spool/contract';
import type { BenchRow } from '../db/models/house-rules';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { managersOnly, noteHouseChange } from '../house-rules/house-changes';
import { ProblemError } from '../problem-error';

const toBench = ({ id, name, spanMm, hand, devices, version }: BenchRow): Bench => ({
  id,
  name,
  spanMm,
  hand,
  devices,
  version,
});

export const listBenches = async ({ tables }: House): Promise<Bench[]> =>
  (await tables.benches.findAll({ order: ['name'] })).map(toBench);

/** A bench in a sentence, as its changes are written down. */
const said = ({ name, spanMm, hand, devices }: NewBench): string =>
  [
    `${name}, ${(spanMm / 1000).toFixed(2)} m free, ${hand}-handed`,
    ...devices.map(
      (one) => `${one.name} at ${one.address}, ${String(one.per)} to one of ${one.counts.replace('-', ' ')}`,
    ),
  ]
    .join('; ')
    .slice(0, 400);

export async function addBench(house: House, person: Person, asked: NewBench): Promise<Bench> {
  managersOnly(person, 'adds a bench');
  return inTransaction(house.sequelize, async (transaction) => {
    const row = await house.tables.benches.create(asked, { transaction });
    await noteHouseChange(house, person, { about: 'Benches', was: '', is: said(asked) }, transaction);
    return toBench(row);
  });
}

export async function changeBench(
  house: House,
  person: Person,
  id: number,
  { version, ...asked }: NewBench & { readonly version: number },
): Promise<Bench> {
  managersOnly(person, 'changes a bench');
  return inTransaction(house.sequelize, async (transaction) => {
    const row = await house.tables.benches.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('not-found', 'This bench is not there any more.');
    if (row.version !== version)
      throw new ProblemError('stale-version', 'Somebody changed this bench meanwhile. Look again.');
    await noteHouseChange(house, person, { about: 'Benches', was: said(row), is: said(asked) }, transaction);
    return toBench(await row.update({ ...asked, version: version + 1 }, { transaction }));
  });
}

/** Takes a bench away. Runs made at it keep its name; one that is open there has to be closed first. */
export async function removeBench(house: House, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes a bench away');
  await inTransaction(house.sequelize, async (transaction) => {
    const row = await house.tables.benches.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('not-found', 'This bench is not there any more.');
    const open = await house.tables.runs.count({ where: { bench: row.name, state: 'open' }, transaction });
    if (open > 0)
      throw new ProblemError(
        'not-finished',
        `A reel is on ${row.name}. Close it, or take it to another bench.`,
      );
    await noteHouseChange(house, person, { about: 'Benches', was: said(row), is: '' }, transaction);
    await row.destroy({ transaction });
  });
  return {};
}
