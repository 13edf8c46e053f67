import { isDeepStrictEqual } from 'node:util';
import type { DayPlan, DayTried } from '@yard-spool/contract';
import {
  movedIn,
  operationsOf,
  type Day,
  type DayTimes,
  type MovedOperation,
  type Ordered,
  type Wish,
} from '@yard-spool/core';
import type { Reading } from '../context/context';
import type { Held } from '../context/held';
import { inWorker } from '../work/in-worker';
import { gatherDay, type GatheredDay } from './gather-day';
import { hasBegun } from './has-begun';
import { minutesOf } from './open-spans';
import { ORDER_DAY, type DayToOrder } from './order-day';
import { tellBags, tellDay } from './tell-day';
import { timesOf } from './took';
import { whyMoved } from './why-moved';

/**
 * Orders looked at, and the longest that may take, ms: at once, from the beginning, as the day is followed, to see. Whoever
 * asks waits only for what is at once; the others are looked for behind the answer.
 */
const AT_ONCE = { tries: 60, within: 120 };
const FROM_NEW = { tries: 1500, within: 1500 };
const FOLLOWED_AT_ONCE = { tries: 5, within: 30 };
const FOLLOWING = { tries: 200, within: 400 };
const TO_SEE = { tries: 60, within: 120 };
/** A day that changes while a better order is looked for is looked at again so often. */
const MOST_ROUNDS = 3;
/** What moved is told for so long, minutes. */
const TOLD_FOR = 20;

/** A day as it was gathered, and the order it was put in. */
interface OrderedDay {
  readonly gathered: GatheredDay;
  readonly day: Day;
  readonly ordered: Ordered;
}

/** The day as it was ordered last. */
interface HeldDay {
  last: OrderedDay | null;
  /** What was told of it last: telling it draws every reel. */
  told: DayPlan | null;
  moved: readonly (MovedOperation & { readonly why: string; readonly at: number })[];
  /** The order under way: whoever asks meanwhile is given the same. */
  asked: Promise<DayPlan> | null;
  /** A better order is looked for. */
  improving: Promise<void> | null;
}

const DAY: Held<HeldDay> = {
  make: () => ({ last: null, told: null, moved: [], asked: null, improving: null }),
  forget: (held) => {
    held.last = null;
    held.told = null;
    held.moved = [];
  },
};

/** The running order as it is now: the one there was, mended for what happened since. */
export function readDay(from: Reading): Promise<DayPlan> {
  const held = from.held.of(DAY);
  held.asked ??= read(from, held).finally(() => (held.asked = null));
  return held.asked;
}

/** The running order made again from the beginning. */
export async function orderAgain(from: Reading): Promise<DayPlan> {
  const held = from.held.of(DAY);
  await held.asked?.catch(() => undefined);
  DAY.forget(held);
  const now = await dayAsIs(from);
  held.last = { ...now, ordered: await inWorker(ORDER_DAY, { day: now.day, ...FROM_NEW }) };
  return told(held, held.last);
}

async function read(from: Reading, held: HeldDay): Promise<DayPlan> {
  const now = await dayAsIs(from);
  const before = held.last;
  const made = await inWorker(
    ORDER_DAY,
    before ? { day: now.day, before: before.ordered, ...FOLLOWED_AT_ONCE } : { day: now.day, ...AT_ONCE },
  );
  const last = { ...now, ordered: made };
  if (before) noteMoved(held, before, last);
  held.last = last;
  if (now.day.operations.length > 0 && (!before || isWorthALook(before, last)))
    held.improving ??= improve(held, last, before ?? null).finally(() => (held.improving = null));
  return told(held, last);
}

/** Whether something else is left to do than before, or promises suffer more: not that time goes by. */
const isWorthALook = (before: OrderedDay, now: OrderedDay): boolean =>
  now.ordered.plan.score.broken > before.ordered.plan.score.broken ||
  now.ordered.plan.score.late > before.ordered.plan.score.late ||
  !isDeepStrictEqual(leftToDo(before.day), leftToDo(now.day));

const leftToDo = ({ operations, bags, benches, people }: Day) => ({
  operations: operations.map(({ id, kind, reels, pieces, bench, person, at }) => ({
    id,
    kind,
    reels,
    pieces,
    bench,
    person,
    at,
  })),
  bags,
  benches,
  people: people.map(({ id }) => id),
});

/**
 * Looks for a better order than the one that is told while it is looked at: a better one from the beginning where there was
 * none before, else one that follows the one before. What happens meanwhile goes before it.
 */
async function improve(held: HeldDay, told: OrderedDay, before: OrderedDay | null): Promise<void> {
  let seen: OrderedDay | null = told;
  for (let round = 0; seen && round < MOST_ROUNDS; round += 1) {
    const { day, ordered }: OrderedDay = seen;
    const asked: DayToOrder = before ? { day, before: ordered, ...FOLLOWING } : { day, ...FROM_NEW };
    const better: Ordered | null = await inWorker(ORDER_DAY, asked).catch(() => null);
    if (better && held.last === seen) {
      held.last = { ...seen, ordered: better };
      if (before) noteMoved(held, seen, held.last);
    }
    seen = held.last?.day === day ? null : held.last;
  }
}

function noteMoved(held: HeldDay, before: OrderedDay, now: OrderedDay): void {
  const { wishes } = now.gathered;
  const begun = new Set(now.day.operations.filter((one) => hasBegun(one, wishes)).map(({ id }) => id));
  const at = now.day.now;
  const fresh = movedIn(before.ordered.plan, now.ordered.plan)
    .filter(({ id }) => !begun.has(id))
    .map((one) => ({ ...one, why: whyMoved(before, now, one), at }));
  const ids = new Set(fresh.map(({ id }) => id));
  const still = held.moved.filter((one) => !ids.has(one.id) && !begun.has(one.id) && one.at > at - TOLD_FOR);
  held.moved = [...still, ...fresh];
}

function told(held: HeldDay, { day, ordered, gathered }: OrderedDay): DayPlan {
  const { moved, improving } = held;
  return (held.told = tellDay(day, ordered.plan, gathered, {
    moved,
    improving: improving !== null,
  }));
}

async function dayAsIs(from: Reading): Promise<Pick<OrderedDay, 'gathered' | 'day'>> {
  const [gathered, times] = await Promise.all([gatherDay(from), timesOf(from)]);
  return { gathered, day: dayOf(gathered, times) };
}

/** A day as it is ordered: made where nobody looked at it yet. */
export async function dayNow(from: Reading): Promise<OrderedDay> {
  await readDay(from);
  return heldDay(from);
}

function heldDay(from: Reading): OrderedDay {
  const { last } = from.held.of(DAY);
  if (!last) throw new Error('A day that was read is held.');
  return last;
}

/** The day as it was told last. */
export const lastDay = async (from: Reading): Promise<DayPlan> =>
  from.held.of(DAY).told ?? (await readDay(from));

/**
 * What each bag would have in hand if something was asked by hand, from the day as it was looked at last.
 *
 * @param wish undefined takes back what was asked
 */
export async function daySeen(from: Reading, operation: string, wish: Wish | undefined): Promise<DayTried> {
  const { gathered, ordered: before } = heldDay(from);
  const others = Object.entries(gathered.wishes).filter(([id]) => id !== operation);
  const wishes = Object.fromEntries(wish ? [...others, [operation, wish] as const] : others);
  const day = dayOf({ ...gathered, wishes }, await timesOf(from));
  const { plan } = await inWorker(ORDER_DAY, { day, before, ...TO_SEE });
  return { bags: tellBags(plan, gathered), broken: plan.score.broken };
}

/** A day as the core plans it, from what was gathered and how long things take here. */
export function dayOf(gathered: GatheredDay, times: DayTimes): Day {
  const now = minutesOf(gathered.now);
  const { hours, bags, benches, people, noPlace } = gathered;
  const without = new Set(noPlace.map(({ bag }) => String(bag)));
  return {
    now,
    hours,
    benches: benches.map(({ id }) => String(id)),
    people: people.map(({ id, awayUntil }) => ({
      id: String(id),
      hours: awayUntil ? hours.filter(([from]) => from >= minutesOf(awayUntil)) : hours,
    })),
    bags: bags
      .map(({ number, promisedAt }) => ({ id: String(number), due: minutesOf(promisedAt), came: number }))
      .filter(({ id }) => !without.has(id)),
    // A bag with a reel that waits for line goes on no shelf.
    operations: operationsOf({ ...gathered, now, times }).filter(
      ({ kind, bags: [bag = ''] }) => kind !== 'shelf' || !without.has(bag),
    ),
  };
}
