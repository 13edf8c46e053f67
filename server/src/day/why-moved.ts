import type { DayPlan, MovedOperation, Ordered } from '@yard-spool/core';
import type { GatheredDay } from './gather-day';
import { minutesOf } from './open-spans';

/** A day as it was gathered, and what was planned of it. */
export interface LookedAt {
  readonly gathered: GatheredDay;
  readonly ordered: Pick<Ordered, 'plan'>;
}

/** A fill that ends later, or sooner, than planned by less is as planned, minutes. */
const AS_PLANNED = 3;

/** What most likely moved something: the first of what happened that can. */
export function whyMoved(before: LookedAt, now: LookedAt, moved: MovedOperation): string {
  return (
    byHand(before.gathered, now.gathered, moved) ??
    byBags(before.gathered, now.gathered) ??
    byFill(before, now) ??
    byTime(now.gathered, before.ordered.plan, moved) ??
    'It follows what was done meanwhile.'
  );
}

function byHand(before: GatheredDay, now: GatheredDay, { id }: MovedOperation): string | null {
  if (JSON.stringify(before.asked[id]) !== JSON.stringify(now.asked[id])) return 'You asked for it.';
  if (before.wishes[id]?.at !== undefined && now.wishes[id]?.at === undefined)
    return 'It was not begun at the time it was pinned to.';
  const isGone = (of: GatheredDay, person: number): boolean =>
    of.people.some((one) => one.id === person && one.awayUntil !== null);
  const gone = now.people.find((one) => isGone(now, one.id) && !isGone(before, one.id));
  if (gone) return `${gone.name} has gone for today.`;
  const back = now.people.find((one) => !isGone(now, one.id) && isGone(before, one.id));
  if (back) return `${back.name} is here again.`;
  return JSON.stringify(before.asked) === JSON.stringify(now.asked)
    ? null
    : 'Something else was moved by hand.';
}

function byBags(before: GatheredDay, now: GatheredDay): string | null {
  const fresh = now.bags.filter(({ number }) => !before.bags.some((was) => was.number === number));
  if (fresh.length > 0) return `Bag ${numbered(fresh)} was booked in.`;
  const left = before.bags.filter(({ number }) => !now.bags.some((is) => is.number === number));
  if (left.length > 0) return `Bag ${numbered(left)} is done.`;
  const waits = now.noPlace.find(({ job }) => !before.noPlace.some((one) => one.job.id === job.id));
  if (waits) return `${waits.job.tag} has no line any more.`;
  const fed = before.noPlace.find(({ job }) => !now.noPlace.some((one) => one.job.id === job.id));
  return fed ? `There is line for ${fed.job.tag} now.` : null;
}

/** What was to be begun by now and was not: itself, or something before it. */
function byTime({ now, runs }: GatheredDay, { placed }: DayPlan, { was }: MovedOperation): string | null {
  const moment = minutesOf(now);
  if (was.start < moment) return 'It was to begin before now, and was not begun.';
  const begun = new Set(runs.map(({ jobId }) => `fill:${String(jobId)}`));
  const isLate = placed.some(({ id, start }) => start < moment && start < was.start && !begun.has(id));
  return isLate ? 'What comes before it was not begun in time.' : null;
}

const numbered = (bags: readonly { readonly number: number }[]): string =>
  bags.map(({ number }) => String(number)).join(', ');

/** A fill that is under way, or was: whether it took as long as planned. */
function byFill(before: LookedAt, now: LookedAt): string | null {
  const endIn = ({ ordered }: LookedAt, id: string): number | undefined =>
    ordered.plan.placed.find((one) => one.id === id)?.end;
  for (const run of now.gathered.runs) {
    const id = `fill:${String(run.jobId)}`;
    const was = endIn(before, id);
    const is = run.closedAt === null ? endIn(now, id) : run.closedAt.getTime() / 60_000;
    const tag = now.gathered.jobs.get(run.jobId)?.tag;
    if (was === undefined || is === undefined || tag === undefined) continue;
    if (is > was + AS_PLANNED) return `${tag} takes longer than planned.`;
    if (is < was - AS_PLANNED) return `${tag} was quicker than planned.`;
  }
  return null;
}
