import type { DayPlan, DayWish, Person } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { readDay } from './read-day';

/** What was asked of a day is forgotten after a week. */
const KEPT_MS = 7 * 24 * 3_600_000;

/** Asks something of one operation: where, by whom, not before, at a time. All null takes it back. */
export async function wishOfDay(
  context: ServerContext,
  person: Person,
  operation: string,
  { benchId, personId, earliestAt, at }: DayWish,
): Promise<DayPlan> {
  const before = await readDay(context);
  const row = before.rows.find(({ id }) => id === operation);
  if (!row) throw new ProblemError('not-found', 'This is done, or not to be done any more. Look again.');
  if (row.state === 'now')
    throw new ProblemError('already-closed', 'This has begun. It goes on where it is.');
  if (benchId !== null && row.benchId === null)
    throw new ProblemError('bad-request', 'This is not done at a bench.', [
      { path: 'benchId', message: 'Leave the bench out.' },
    ]);
  await unit(context, person, async (u) => {
    const { dayWishes, benches, people } = u.tables;
    if (benchId !== null && !(await benches.findOne({ where: { id: benchId, removed: false } })))
      throw new ProblemError('not-found', 'This bench is not there any more.');
    if (personId !== null && !(await people.findOne({ where: { id: personId, leftAt: null } })))
      throw new ProblemError('not-found', 'This person is not here any more.');
    const now = u.clock();
    await dayWishes.removeAll({
      [Op.or]: [{ operation }, { madeAt: { [Op.lt]: new Date(now.getTime() - KEPT_MS) } }],
    });
    const asked = { benchId, personId, earliest: dateOf(earliestAt), at: dateOf(at) };
    if (Object.values(asked).some((one) => one !== null))
      await dayWishes.create({ operation, ...asked, madeAt: now, byId: u.actor.id });
  });
  return readDay(context);
}

const dateOf = (iso: string | null): Date | null => (iso === null ? null : new Date(iso));

/** Takes back all that was asked of the day by hand. */
export async function dropWishes(context: ServerContext, person: Person): Promise<DayPlan> {
  await unit(context, person, (u) => u.tables.dayWishes.removeAll({}));
  return readDay(context);
}

/** Somebody goes home for today, or is back. */
export async function isHere(
  context: ServerContext,
  person: Person,
  id: number,
  here: boolean,
): Promise<DayPlan> {
  const { zone } = await readHouseRules(context);
  await unit(context, person, async (u) => {
    const { people, dayAways } = u.tables;
    if (!(await people.findOne({ where: { id, leftAt: null } })))
      throw new ProblemError('not-found', 'This person is not here any more.');
    await dayAways.removeAll({ personId: id });
    const until = inZone(u.clock().toISOString(), zone).endOf('day').toJSDate();
    if (!here) await dayAways.create({ personId: id, until });
  });
  return readDay(context);
}
