import type { DayPlan, DayTried, DayWish, Person } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { Reading, ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { asWish } from './as-wish';
import { daySeen, lastDay, readDay } from './read-day';

/** What was asked of a day is forgotten after a week. */
const KEPT_MS = 7 * 24 * 3_600_000;

/** Asks something of one operation: where, by whom, not before, at a time. All null takes it back. */
export async function wishOfDay(
  context: ServerContext,
  person: Person,
  operation: string,
  wish: DayWish,
): Promise<DayPlan> {
  mayBeAsked(await readDay(context), operation, wish);
  await unit(context, person, async (u) => {
    await isThere(u, wish);
    const { dayWishes } = u.tables;
    const now = u.clock();
    await dayWishes.removeAll({
      [Op.or]: [{ operation }, { madeAt: { [Op.lt]: new Date(now.getTime() - KEPT_MS) } }],
    });
    const { benchId, personId, earliestAt, at, apart } = wish;
    const asked = { benchId, personId, earliest: dateOf(earliestAt), at: dateOf(at), apart };
    if (isAsked(wish)) await dayWishes.create({ operation, ...asked, madeAt: now, byId: u.actor.id });
  });
  return readDay(context);
}

/** What it would do to each bag's time in hand if that was asked; nothing is changed by it. */
export async function tryWish(
  from: Reading,
  { operation, wish }: { readonly operation: string; readonly wish: DayWish },
): Promise<DayTried> {
  mayBeAsked(await lastDay(from), operation, wish);
  await isThere(from, wish);
  return daySeen(from, operation, isAsked(wish) ? asWish(wish, from.clock()) : undefined);
}

const isAsked = ({ apart, ...rest }: DayWish): boolean =>
  apart || Object.values(rest).some((one) => one !== null);

/** @throws where there is no such thing to do, it has begun, or it is not asked of what it could be */
function mayBeAsked({ rows }: Pick<DayPlan, 'rows'>, operation: string, { benchId, apart }: DayWish): void {
  const row = rows.find(({ id, set }) => id === operation || set?.id === operation);
  if (!row) throw new ProblemError('not-found', 'This is done, or not to be done any more. Look again.');
  if (row.state === 'now')
    throw new ProblemError('already-closed', 'This has begun. It goes on where it is.');
  if (benchId !== null && row.benchId === null)
    throw new ProblemError('bad-request', 'This is not done at a bench.', [
      { path: 'benchId', message: 'Leave the bench out.' },
    ]);
  if (apart && row.set?.id !== operation)
    throw new ProblemError('bad-request', 'This is no set of reels.', [
      { path: 'apart', message: 'Only a set is taken apart.' },
    ]);
}

/** @throws where a bench or a person is not there any more */
async function isThere({ tables }: Pick<Reading, 'tables'>, { benchId, personId }: DayWish): Promise<void> {
  const { benches, people } = tables;
  if (benchId !== null && !(await benches.findOne({ where: { id: benchId, removed: false } })))
    throw new ProblemError('not-found', 'This bench is not there any more.');
  if (personId !== null && !(await people.findOne({ where: { id: personId, leftAt: null } })))
    throw new ProblemError('not-found', 'This person is not here any more.');
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
