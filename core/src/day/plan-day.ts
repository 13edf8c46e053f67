import type { Day } from './day';
import { byArrival, byPromise, bySupply, soaksFirst, type Order } from './first-orders';
import { improveDay, type Effort, type Ordered } from './improve-day';
import { placeOperations, workOf, type DayWork } from './place-operations';
import { compareScores } from './score';

/**
 * Puts a day in order: what is done where, by whom and when. The best of four orders that people use, then improved; in
 * strict order of what it comes to: soaks that dry, promises broken and by how much, promises that are not sure, changes
 * of supply, outings, finishing time.
 *
 * @param before the order as it was, which is kept as far as it is as good
 */
export function planDay(day: Day, effort: Effort, before: Order = []): Ordered {
  const work = workOf(day);
  const first = firstOf(work, before);
  return improveDay(work, first, effort);
}

/** The best of the orders that people use, and of the one that was. */
function firstOf(work: DayWork, before: Order): Ordered {
  const orders = [before, byPromise(work.day), bySupply(work.day), soaksFirst(work.day), byArrival(work.day)];
  return orders
    .map((order) => orderedBy(work, order))
    .reduce((best, one) => (compareScores(one.plan.score, best.plan.score) < 0 ? one : best));
}

/** A day placed in an order; what is not in it comes behind. */
export function orderedBy(
  work: DayWork,
  order: Order,
  benchOf: ReadonlyMap<string, string> = new Map(),
): Ordered {
  const known = order.filter((id) => work.byId.has(id));
  const all = [...known, ...work.day.operations.map(({ id }) => id).filter((id) => !known.includes(id))];
  return { order: all, benchOf, plan: placeOperations(work, all, benchOf) };
}
