import type { Day, DayBag, Operation } from './day';

/** An order to place operations in, by id. */
export type Order = readonly string[];

/** The bag promised soonest first, then the next. */
export const byPromise = (day: Day): Order => byBag(day, ({ due }) => due);

/** Bags as they came in. */
export const byArrival = (day: Day): Order => byBag(day, ({ came }) => came);

/** As a person usually does it: all soaks first, then bag by bag as they are promised. */
export function soaksFirst(day: Day): Order {
  const soaks = day.operations.filter(({ kind }) => kind === 'soak').map(({ id }) => id);
  return [...soaks, ...byPromise(day).filter((id) => !soaks.includes(id))];
}

/** What is wound from one supply together, where the first of it is promised; soaks before all. */
export function bySupply(day: Day): Order {
  const due = dueOf(day, ({ due }) => due);
  const first = new Map<string, number>();
  const mainOf = ({ pieces }: Operation): string => pieces.at(-1) ?? '';
  for (const one of day.operations)
    if (one.kind === 'fill') first.set(mainOf(one), Math.min(first.get(mainOf(one)) ?? Infinity, due(one)));
  const rank = (one: Operation): number =>
    one.kind === 'soak' ? -Infinity : one.kind === 'fill' ? (first.get(mainOf(one)) ?? due(one)) : due(one);
  return sorted(
    day.operations,
    (a, b) => rank(a) - rank(b) || compare(mainOf(a), mainOf(b)) || due(a) - due(b),
  );
}

function byBag(day: Day, rank: (bag: DayBag) => number): Order {
  const rankOf = dueOf(day, rank);
  return sorted(day.operations, (a, b) => rankOf(a) - rankOf(b));
}

/** What an operation counts as: the most urgent of the bags that wait for it. */
function dueOf({ bags }: Day, rank: (bag: DayBag) => number): (operation: Operation) => number {
  const ranks = new Map(bags.map((bag) => [bag.id, rank(bag)]));
  return (operation) => Math.min(...operation.bags.map((id) => ranks.get(id) ?? Infinity));
}

const sorted = (operations: readonly Operation[], by: (a: Operation, b: Operation) => number): Order =>
  [...operations].sort(by).map(({ id }) => id);

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
