import type { Person } from '@yard-spool/contract';
import type { ServerContext } from '../context/context';
import { lockHouse } from '../shop/read-house-rules';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { hashPasscode } from './passcode';
import { mustBeStrong } from './strong';

/** The first person of a new house is a manager. Refused as soon as there is anybody. */
export async function addFirstPerson(
  context: ServerContext,
  name: string,
  passcode: string,
): Promise<Person> {
  if ((await context.tables.people.count()) === 0) await mustBeStrong(context, passcode, name);
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  return unit(context, null, async (u) => {
    await lockHouse(u);
    const there = await u.tables.people.count();
    if (there > 0)
      throw new ProblemError('not-allowed', 'This shop has people already. Ask a manager to add you.');
    const row = await u.tables.people.create({ name, role: 'manager', passcodeHash, createdAt: u.clock() });
    return { id: row.id, name: row.name, role: row.role };
  });
}
