import { listedRows, placeInWords, spanText } from '@yard-spool/core';
import type { DayPlan } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { readDay } from '../day/read-day';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import type { CutsFacts, OrderFacts } from './facts';
import { cutsOfJobs } from './gather-cuts';

/** What is planned of one day: today's rows that are not done, or the next day's where the shop is closed. */
interface Today {
  readonly title: string;
  readonly plan: DayPlan;
  readonly rows: DayPlan['rows'];
}

async function today(from: Reading): Promise<Today> {
  const [plan, { zone }] = await Promise.all([readDay(from), readHouseRules(from)]);
  const day = inZone(plan.opensAt ?? plan.now, zone);
  const until = day.endOf('day').toMillis();
  const rows = plan.rows.filter(({ state, startAt }) => state !== 'done' && Date.parse(startAt) <= until);
  return { title: day.toFormat('cccc d LLLL'), plan, rows };
}

/** What is wound on today, in the order in which it is. */
export async function cutsOfToday(from: Reading): Promise<CutsFacts> {
  const { title, rows } = await today(from);
  const reels = rows.flatMap(({ kind, reels: own }) => (kind === 'fill' ? own : []));
  return { title, reels: await cutsOfJobs(from, reels) };
}

/** What is done today at each bench, and elsewhere, in order. */
export async function orderOfToday(from: Reading): Promise<OrderFacts> {
  const { title, plan, rows } = await today(from);
  const nameOf = new Map(plan.people.map(({ id, name }) => [id, name]));
  const placeOf = ({ kind, benchId }: DayPlan['rows'][number]): string =>
    plan.benches.find(({ id }) => id === benchId)?.name ?? placeInWords(kind);
  const places = [...plan.benches.map(({ name }) => name), 'Tub', 'Field', 'Counter'];
  const listed = listedRows(rows);
  return {
    title,
    places: places.flatMap((name) => {
      const own = listed.filter((row) => placeOf(row) === name);
      return own.length === 0
        ? []
        : [
            {
              name,
              rows: own.map((row) => ({
                row,
                // What is under way is told by what is left of it.
                at: row.state === 'now' ? null : row.startAt,
                takes: spanText(
                  (Date.parse(row.endAt) - Date.parse(row.state === 'now' ? plan.now : row.startAt)) / 60_000,
                ),
                by: nameOf.get(row.personId ?? 0) ?? '',
              })),
            },
          ];
    }),
  };
}
