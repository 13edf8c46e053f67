import type { Day, DayPlan, Placed } from './day';
import type { Order } from './first-orders';
import { improveDay, type Effort, type Ordered } from './improve-day';
import { orderedBy } from './plan-day';
import { placeOperations, workOf, type DayWork } from './place-operations';
import { compareScores, type Cost } from './score';

/** Something that is now elsewhere, or at another time. */
export interface MovedOperation {
  readonly id: string;
  readonly was: Placed;
  readonly is: Placed;
}

/** Less than this is not told, minutes. */
const TOLD_FROM = 10;
/** Promises broken by less than so many minutes more are not worth another order. */
const STEP = 10;

/**
 * An order that follows the day: what it was, with what is new put where it costs least, and changed beyond that only
 * where promises are held or made surer by it, by as few moves as that takes.
 */
export function mendDay(
  day: Day,
  before: Pick<Ordered, 'order' | 'benchOf' | 'plan'>,
  effort: Effort,
): Ordered {
  const work = workOf(day);
  const fresh = day.operations.map(({ id }) => id).filter((id) => !before.order.includes(id));
  let base = orderedBy(work, before.order, before.benchOf);
  for (const bag of bagsOf(work, fresh)) base = insert(work, base, bag);
  const followed = followers(before.plan.placed);
  return improveDay(work, base, effort, ({ score, placed }): Cost => [
    score.dried,
    score.broken,
    Math.ceil(score.late / STEP),
    score.unsure,
    changedIn(placed, followed),
    score.changes,
    score.outings,
    score.finish,
  ]);
}

/** What moved from one plan to the next; what is new, gone or begun is not told. */
export function movedIn(before: DayPlan, after: DayPlan): MovedOperation[] {
  const was = new Map(before.placed.map((one) => [one.id, one]));
  return after.placed.flatMap((is) => {
    const old = was.get(is.id);
    if (!old) return [];
    const isElsewhere = old.bench !== is.bench || Math.abs(old.start - is.start) >= TOLD_FROM;
    return isElsewhere ? [{ id: is.id, was: old, is }] : [];
  });
}

/** New operations bag by bag: all of one bag goes in at one place. */
function bagsOf({ byId }: DayWork, fresh: readonly string[]): readonly (readonly string[])[] {
  const bags = new Map<string, string[]>();
  for (const id of fresh) {
    const bag = byId.get(id)?.bags[0] ?? '';
    bags.set(bag, [...(bags.get(bag) ?? []), id]);
  }
  return [...bags.values()];
}

/** Puts operations where they cost least in an order. */
function insert(work: DayWork, { order, benchOf }: Ordered, ids: readonly string[]): Ordered {
  const rest = order.filter((id) => !ids.includes(id));
  let best: Ordered | null = null;
  for (let at = rest.length; at >= 0; at -= 1) {
    const tried: Order = [...rest.slice(0, at), ...ids, ...rest.slice(at)];
    const plan = placeOperations(work, tried, benchOf);
    if (!best || compareScores(plan.score, best.plan.score) < 0) best = { order: tried, benchOf, plan };
  }
  return best ?? orderedBy(work, [...rest, ...ids], benchOf);
}

/** What follows what at each bench, and in the hands of each person elsewhere. */
function followers(placed: readonly Placed[]): ReadonlyMap<string, string> {
  const last = new Map<string, string>();
  const before = new Map<string, string>();
  for (const { id, bench, person } of placed) {
    const place = bench || person;
    before.set(id, `${place} ${last.get(place) ?? ''}`);
    last.set(place, id);
  }
  return before;
}

/** How many of those there were before follow something else now. */
const changedIn = (placed: readonly Placed[], before: ReadonlyMap<string, string>): number =>
  [...followers(placed)].filter(([id, behind]) => (before.get(id) ?? behind) !== behind).length;
