import type { DayPlan } from '@yard-spool/contract';
import { movedIn, operationsOf, type Day, type MovedOperation, type Ordered } from '@yard-spool/core';
import type { Reading } from '../context/context';
import type { Held } from '../context/held';
import { inWorker } from '../work/in-worker';
import { gatherDay, type GatheredDay } from './gather-day';
import { minutesOf } from './open-spans';
import { ORDER_DAY } from './order-day';
import { tellDay } from './tell-day';
import { timesOf } from './took';
import { whyMoved } from './why-moved';

/** Orders looked at, and the longest that may take, ms: from the beginning, and when the day is followed. */
const FROM_NEW = { tries: 1500, within: 1500 };
const FOLLOWING = { tries: 200, within: 400 };
/** What moved is told for so long, minutes. */
const TOLD_FOR = 20;

/** The day as it was ordered last. */
interface HeldDay {
  ordered: Ordered | null;
  gathered: GatheredDay | null;
  moved: readonly (MovedOperation & { readonly why: string; readonly at: number })[];
  /** The order under way: whoever asks meanwhile is given the same. */
  asked: Promise<DayPlan> | null;
}

const DAY: Held<HeldDay> = {
  make: () => ({ ordered: null, gathered: null, moved: [], asked: null }),
  forget: (held) => {
    held.ordered = null;
    held.gathered = null;
    held.moved = [];
  },
};

/** The running order as it is now: the one there was, mended for what happened since. */
export function readDay(from: Reading): Promise<DayPlan> {
  const held = from.held.of(DAY);
  held.asked ??= ordered(from, held).finally(() => (held.asked = null));
  return held.asked;
}

/** The running order made again from the beginning. */
export async function orderAgain(from: Reading): Promise<DayPlan> {
  const held = from.held.of(DAY);
  await held.asked?.catch(() => undefined);
  DAY.forget(held);
  return readDay(from);
}

async function ordered(from: Reading, held: HeldDay): Promise<DayPlan> {
  const [gathered, times] = await Promise.all([gatherDay(from), timesOf(from)]);
  const day = dayOf(gathered, operationsOf({ ...gathered, now: minutesOf(gathered.now), times }));
  const { ordered: before, gathered: was } = held;
  const made = await inWorker(ORDER_DAY, before ? { day, before, ...FOLLOWING } : { day, ...FROM_NEW });
  const now = day.now;
  if (before && was) {
    const fresh = movedIn(before.plan, made.plan).map((one) => ({
      ...one,
      why: whyMoved(was, gathered, one),
      at: now,
    }));
    const ids = new Set(fresh.map(({ id }) => id));
    const told = held.moved.filter(({ id, at }) => !ids.has(id) && at > now - TOLD_FOR);
    held.moved = [...told, ...fresh];
  }
  held.ordered = made;
  held.gathered = gathered;
  return tellDay(day, made.plan, gathered, held.moved);
}

/** A day as it is ordered: made where nobody looked at it yet. */
export async function dayNow(
  from: Reading,
): Promise<{ readonly gathered: GatheredDay; readonly ordered: Ordered }> {
  await readDay(from);
  const { gathered, ordered: made } = from.held.of(DAY);
  if (!gathered || !made) throw new Error('A day that was read is held.');
  return { gathered, ordered: made };
}

export function dayOf(gathered: GatheredDay, operations: ReturnType<typeof operationsOf>): Day {
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
    operations: operations.filter(({ kind, bags: [bag = ''] }) => kind !== 'shelf' || !without.has(bag)),
  };
}
