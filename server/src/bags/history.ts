import type { Bag, Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';

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
export async function historyOf({ tables }: House, bagId: number): Promise<Bag['history']> {
  const [rows, people] = await Promise.all([
    tables.bagChanges.findAll({ where: { bagId }, order: [['id', 'DESC']] }),
    tables.people.findAll(),
  ]);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  return rows.map(({ at, byId, what }) => ({ at: at.toISOString(), by: nameOf.get(byId) ?? '', what }));
}
