import type { Demo, Person, SignInSheet } from '@yard-spool/contract';
import type { Reading, ServerContext } from '../context/context';
import { readOnce } from '../context/read-once';
import { unit } from '../context/unit';
import { hashPasscode } from './passcode';

/** Names to choose from on the sign-in screen. */
export async function signInSheet(
  from: Reading,
  { demo, needsWords }: { readonly demo?: Demo | undefined; readonly needsWords: boolean },
): Promise<SignInSheet> {
  const rows = await from.tables.people.findAll({ where: { leftAt: null }, order: ['name'] });
  const people = rows.map(({ name, role }) => ({ name, role }));
  return {
    people,
    ...(needsWords && people.length === 0 ? { needsWords } : {}),
    ...(demo ? { demo } : {}),
  };
}

/** Everybody's name by their number, for telling who did something. */
export const peopleNames = (from: Reading): Promise<ReadonlyMap<number, string>> =>
  readOnce(peopleNames, async () => {
    const people = await from.tables.people.findAll({ attributes: ['id', 'name'] });
    return new Map(people.map(({ id, name }) => [id, name]));
  });

export async function addPerson(
  context: ServerContext,
  name: string,
  role: Person['role'],
  passcode: string,
): Promise<Person> {
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  const { id } = await unit(context, null, ({ tables, clock }) =>
    tables.people.create({ name, role, passcodeHash, createdAt: clock() }),
  );
  return { id, name, role };
}
