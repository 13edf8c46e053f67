import { HERE, TO_FILL, inSql } from '../db/job-states';
import { createHash, randomBytes } from 'node:crypto';
import type { Calendar, DayRow, DueRow, Person } from '@yard-spool/contract';
import { rowInWords } from '@yard-spool/core';
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Reading, ServerContext } from '../context/context';
import { readDay } from '../day/read-day';
import { managersOnly } from '../shop/house-changes';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { ProblemError } from '../problem-error';
import { listDue } from '../reels/read-due';
import { unit } from '../context/unit';

/** The only row there is. */
const ROW = 1;
/** What is promised is shown for so long before and what is due so long ahead, days. */
const BEFORE_DAYS = 60;
const AHEAD_DAYS = 400;
/** Entries of each kind at most. */
const MOST = 500;
const FETCH_MINUTES = 30;

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
const pathOf = (secret: string): string => `/api/calendar/${secret}.ics`;

/** Whether there is a calendar to subscribe to; its address is told once, when it is made. */
export async function readCalendar({ tables }: Reading): Promise<Calendar> {
  const row = await tables.calendars.findByPk(ROW);
  return { since: row?.at.toISOString() ?? null, path: null };
}

/** Makes the calendar's address: nobody can guess it, and the one before leads nowhere from now on. */
export async function makeCalendar(context: ServerContext, person: Person): Promise<Calendar> {
  managersOnly(person, 'makes the calendar’s address');
  const secret = randomBytes(32).toString('base64url');
  await unit(context, person, async (u) => {
    const now = { hash: hashOf(secret), at: u.clock(), byId: u.actor.id };
    const row = await u.tables.calendars.lockOrCreate({ id: ROW }, { id: ROW, ...now });
    await u.tables.calendars.change(row, now);
  });
  return { ...(await readCalendar(context)), path: pathOf(secret) };
}

/** Takes the calendar's address away. */
export async function endCalendar(context: ServerContext, person: Person): Promise<Calendar> {
  managersOnly(person, 'takes the calendar’s address away');
  await unit(context, person, async (u) => {
    const row = await u.tables.calendars.lock(ROW);
    if (row) await u.tables.calendars.remove(row);
  });
  return readCalendar(context);
}

interface Promised {
  readonly number: number;
  readonly customer: string;
  readonly promisedAt: Date;
  readonly reels: number;
  readonly waiting: number;
}

/**
 * What is promised, what is due, and what goes into the water and out of it, as iCalendar (RFC 5545), for whoever has the address.
 *
 * @throws `not-found` where the address is none, or not any more
 */
export async function calendarFile(from: Reading, secret: string): Promise<string> {
  const row = await from.tables.calendars.findByPk(ROW);
  if (row?.hash !== hashOf(secret))
    throw new ProblemError('not-found', 'There is no calendar at this address any more.');
  const { shopName, zone } = await readHouseRules(from);
  const [promised, due, soaks] = await Promise.all([promisedBags(from), dueRows(from), soakRows(from)]);
  const calendar = ical({
    name: shopName === '' ? 'Yard Spool' : shopName,
    prodId: { company: 'Yard Spool', product: 'Yard Spool', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 60 * 60,
  });
  const stamp = from.clock();
  for (const { number, customer, promisedAt, reels, waiting } of promised)
    calendar.createEvent({
      id: `bag-${String(number)}@yard-spool`,
      stamp,
      start: promisedAt,
      end: new Date(promisedAt.getTime() + FETCH_MINUTES * 60_000),
      summary: `Bag ${String(number)}: ${customer}, ${String(reels)} ${reels === 1 ? 'reel' : 'reels'}`,
      description: waiting === 0 ? 'All filled.' : `${String(waiting)} of ${String(reels)} still to fill.`,
    });
  for (const { tag, spool, label, customer, on } of due)
    calendar.createEvent({
      id: `due-${tag}-${String(on.fillId)}@yard-spool`,
      stamp,
      allDay: true,
      start: dayOf(on.dueAt ?? '', zone),
      summary: `Due: ${tag} ${label}${spool === 'own' ? '' : `, ${spool} spool`}`,
      description: `${customer.name}: ${on.lines.at(-1)?.name ?? ''}`,
    });
  for (const row of soaks) {
    const { what, more } = rowInWords(row, String);
    calendar.createEvent({
      id: `${row.id.replaceAll(':', '-')}@yard-spool`,
      stamp,
      start: row.startAt,
      end: row.endAt,
      summary: what,
      description: more,
    });
  }
  return calendar.toString();
}

/** Midnight UTC of the day it is in the shop: a day in a calendar has no zone. */
const dayOf = (iso: string, zone: string): Date =>
  inZone(iso, zone).startOf('day').setZone('utc', { keepLocalTime: true }).toJSDate();

const promisedBags = (from: Reading): Promise<Promised[]> =>
  from.query<Promised>(
    `SELECT bags.id AS number, customers.name AS customer, bags.promised_at AS promisedAt, COUNT(jobs.id) AS reels,
       COALESCE(SUM(jobs.state IN (${inSql(TO_FILL)})), 0) AS waiting
     FROM bags JOIN customers ON customers.id = bags.customer_id JOIN jobs ON jobs.bag_id = bags.id
     WHERE bags.promised_at > :since AND jobs.state IN (${inSql(HERE)})
     GROUP BY bags.id, customers.name, bags.promised_at ORDER BY bags.promised_at LIMIT ${String(MOST)}`,
    { since: new Date(from.clock().getTime() - BEFORE_DAYS * 86_400_000) },
  );

/** Line into the water and out of it, as the day has it. */
async function soakRows(from: Reading): Promise<readonly DayRow[]> {
  const { rows } = await readDay(from);
  return rows.filter(({ kind }) => kind === 'soak' || kind === 'out');
}

async function dueRows(from: Reading): Promise<DueRow[]> {
  const by = new Date(from.clock().getTime() + AHEAD_DAYS * 86_400_000).toISOString();
  const rows: DueRow[] = [];
  for (let after: string | null = ''; after !== null && rows.length < MOST;) {
    const page: Awaited<ReturnType<typeof listDue>> = await listDue(from, { by, told: 'show', after });
    rows.push(...page.rows);
    after = page.next;
  }
  return rows.filter(({ on }) => on.dueAt !== null);
}
