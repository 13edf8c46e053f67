import type { Demo, Person, SignInSheet } from '@yard-spool/contract';
import type { Reading, ServerContext } from '../context/context';
import { heldAnswer } from '../context/held-answer';
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

/** Everybody who is or was here, by name. */
const EVERYBODY = heldAnswer(
  async ({ tables }) =>
    (await tables.people.findAll({ order: ['name'], attributes: ['id', 'name', 'leftAt'] })).map(
      ({ id, name, leftAt }) => ({ id, name, leftAt }),
    ),
  ['people'],
);

/** Everybody's name by their number, for telling who did something. */
export const peopleNames = (from: Reading): Promise<ReadonlyMap<number, string>> =>
  readOnce(peopleNames, async () => new Map((await EVERYBODY.ask(from)).map(({ id, name }) => [id, name])));

/** Whoever works here, by name. */
export const peopleHere = async (from: Reading): Promise<{ readonly id: number; readonly name: string }[]> =>
  (await EVERYBODY.ask(from)).filter(({ leftAt }) => leftAt === null);

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
