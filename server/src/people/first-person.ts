import type { FirstPerson, Person } from '@yard-spool/contract';
import type { ServerContext, Unit } from '../context/context';
import { lockHouse } from '../shop/read-house-rules';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import type { HouseRulesRow } from '../db/models/house-rules';
import { countryOf } from '../shop/countries';
import { hashPasscode } from './passcode';
import { mustBeStrong } from './strong';

/**
 * The first person of a new house is a manager. Refused as soon as there is anybody.
 *
 * @throws ProblemError where there is no such country
 */
export async function addFirstPerson(
  context: ServerContext,
  { name, passcode, country }: FirstPerson,
): Promise<Person> {
  if ((await context.tables.people.count()) === 0) await mustBeStrong(context, passcode, name);
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  return unit(context, null, async (u) => {
    const house = await lockHouse(u);
    const there = await u.tables.people.count();
    if (there > 0)
      throw new ProblemError('not-allowed', 'This shop has people already. Ask a manager to add you.');
    await beginAsUsualIn(u, house, country);
    const row = await u.tables.people.create({ name, role: 'manager', passcodeHash, createdAt: u.clock() });
    return { id: row.id, name: row.name, role: row.role };
  });
}

const NO_COUNTRY = 'There is no such country. Choose it from the list.';

/** The shop begins with the units, money, paper and days of its country; a shop of no country with the usual. */
async function beginAsUsualIn(u: Unit, house: HouseRulesRow, code: string | undefined): Promise<void> {
  if (code === undefined) return;
  const country = countryOf(code);
  if (!country) throw new ProblemError('bad-request', NO_COUNTRY, [{ path: 'country', message: NO_COUNTRY }]);
  const { money, units, dayOrder, weekBegins, paper } = country;
  await u.tables.houseRules.change(house, { money, units, dayOrder, weekBegins, paper });
}
