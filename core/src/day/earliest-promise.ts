import type { BagInHand, Day } from './day';
import { orderedBy } from './plan-day';
import { placeOperations, workOf } from './place-operations';
import type { Ordered } from './improve-day';

/** Promises are made to the quarter of an hour. */
const QUARTER = 15;

/**
 * The earliest promise for one more bag that holds nine times in ten and breaks no other: the bag is tried at every place
 * of the order, beginning with the first.
 *
 * @param day with the bag's own operations; what the bag itself is promised for does not count
 * @param before the order without it
 * @returns minutes, up to the next quarter of an hour; null where nobody is there to fill it
 */
export function earliestPromise(
  day: Day,
  bag: string,
  before: Pick<Ordered, 'order' | 'benchOf'>,
): number | null {
  const without: Day = {
    ...day,
    bags: day.bags.filter(({ id }) => id !== bag),
    operations: day.operations.filter(({ bags }) => !bags.every((id) => id === bag)),
  };
  const was = orderedBy(workOf(without), before.order, before.benchOf);
  const work = workOf(day);
  const own = day.operations.filter(({ bags }) => bags.includes(bag)).map(({ id }) => id);
  const rest = was.order.filter((id) => !own.includes(id));
  const held = new Map(was.plan.bags.map((one) => [one.id, one]));
  let surely = Infinity;
  for (let at = 0; at <= rest.length; at += 1) {
    const plan = placeOperations(work, [...rest.slice(0, at), ...own, ...rest.slice(at)], was.benchOf);
    const mine = plan.bags.find(({ id }) => id === bag);
    const others = plan.bags.filter(({ id }) => id !== bag);
    const isPlaced = own.every((id) => plan.placed.some((one) => one.id === id));
    if (mine && isPlaced && others.every((one) => isAsWell(one, held.get(one.id))))
      surely = Math.min(surely, mine.surely);
  }
  return Number.isFinite(surely) ? Math.ceil(surely / QUARTER) * QUARTER : null;
}

/** A promise that held still holds, as surely as nine times in ten; one that was broken gets no later. */
function isAsWell(now: BagInHand, before: BagInHand | undefined): boolean {
  if (!before) return true;
  if (before.surely <= before.due) return now.surely <= now.due;
  return now.surely <= before.surely + 0.5;
}
