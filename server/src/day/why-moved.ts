import type { MovedOperation } from '@yard-spool/core';
import type { GatheredDay } from './gather-day';

/** What most likely moved something: the first of what happened that can. */
export function whyMoved(before: GatheredDay, now: GatheredDay, { id }: MovedOperation): string {
  if (JSON.stringify(before.wishes[id]) !== JSON.stringify(now.wishes[id])) return 'You asked for it.';
  const gone = now.people.find(
    (one) => one.awayUntil && !before.people.find((was) => was.id === one.id)?.awayUntil,
  );
  if (gone) return `${gone.name} has gone for today.`;
  if (JSON.stringify(before.wishes) !== JSON.stringify(now.wishes))
    return 'Something else was moved by hand.';
  const fresh = now.bags.filter(({ number }) => !before.bags.some((was) => was.number === number));
  if (fresh.length > 0) return `Bag ${fresh.map(({ number }) => String(number)).join(', ')} was booked in.`;
  const left = before.bags.filter(({ number }) => !now.bags.some((is) => is.number === number));
  if (left.length > 0) return `Bag ${left.map(({ number }) => String(number)).join(', ')} is done.`;
  const slow = now.runs.find(({ closedAt }) => closedAt === null);
  const tag = slow && now.jobs.get(slow.jobId)?.tag;
  return tag === undefined ? 'It follows what was done meanwhile.' : `${tag} takes longer than planned.`;
}
