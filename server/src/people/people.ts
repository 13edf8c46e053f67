import type { Person, SignInSheet } from '@yard-spool/contract';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { hashPasscode } from './passcode';

/** Passcodes of the demo's invented people; told to nobody unless the server runs the demo. */
export type DemoPasscodes = readonly { readonly name: string; readonly passcode: string }[];

/** Names to choose from on the sign-in screen. */
export async function signInSheet(house: House, demo?: DemoPasscodes): Promise<SignInSheet> {
  const rows = await house.tables.people.findAll({ where: { leftAt: null }, order: ['name'] });
  const people = rows.map(({ name, role }) => ({ name, role }));
  return demo ? { people, demo: [...demo] } : { people };
}

/** Everybody's name by their number, for telling who did something. */
export async function peopleNames({ tables }: House): Promise<ReadonlyMap<number, string>> {
  const people = await tables.people.findAll({ attributes: ['id', 'name'] });
  return new Map(people.map(({ id, name }) => [id, name]));
}

export async function addPerson(
  house: House,
  name: string,
  role: Person['role'],
  passcode: string,
): Promise<Person> {
  const row = await house.tables.people.create({
    name,
    role,
    passcodeHash: await hashPasscode(passcode),
    createdAt: house.clock(),
  });
  return { id: row.id, name, role };
}

/** The first person of a new house is a manager. Refused as soon as there is anybody. */
export async function addFirstPerson(house: House, name: string, passcode: string): Promise<Person> {
  const passcodeHash = await hashPasscode(passcode);
  return inTransaction(house.sequelize, async (transaction) => {
    const there = await house.tables.people.count({ transaction, lock: transaction.LOCK.UPDATE } as object);
    if (there > 0)
      throw new ProblemError('not-allowed', 'This house has people already. Ask a manager to add you.');
    const row = await house.tables.people.create(
      { name, role: 'manager', passcodeHash, createdAt: house.clock() },
      { transaction },
    );
    return { id: row.id, name: row.name, role: row.role };
  });
}
