import type { Bag, Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { peopleNames } from '../people/people';

/** Writes down what was done to a bag. Never edited, never removed. */
export async function noteChange(
  { tables, clock }: House,
  person: Person,
  bagId: number,
  what: string,
  transaction: Transaction,
): Promise<void> {
  await tables.bagChanges.create({ bagId, at: clock(), byId: person.id, what }, { transaction });
}

/** What was done to a bag, newest first. */
export async function historyOf(house: House, bagId: number): Promise<Bag['history']> {
  const [rows, nameOf] = await Promise.all([
    house.tables.bagChanges.findAll({ where: { bagId }, order: [['id', 'DESC']] }),
    peopleNames(house),
  ]);
  return rows.map(({ at, byId, what }) => ({ at: at.toISOString(), by: nameOf.get(byId) ?? '', what }));
}
