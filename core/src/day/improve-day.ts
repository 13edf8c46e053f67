import { seeded } from '../numeric/random';
import { DONE_AT, type DayPlan } from './day';
import type { Order } from './first-orders';
import { placeOperations, type DayWork } from './place-operations';
import { compareCosts, costOfScore, type Cost } from './score';

/** An order, and what came of it. */
export interface Ordered {
  readonly order: Order;
  readonly benchOf: ReadonlyMap<string, string>;
  readonly plan: DayPlan;
}

/** How long may be looked for a better order. */
export interface Effort {
  /** Orders looked at; none for the first one at once. */
  readonly tries: number;
  readonly seed?: number;
  /** Asked every so often; false ends it early with the best so far. */
  readonly goOn?: () => boolean;
}

/** Tries without getting better before the best known is shaken up. */
const PATIENCE = 150;
/** Moves at once to shake it up. */
const SHAKE = 3;

/**
 * Looks for a better order by moving one thing at a time, from the best that is known; never worse than what it began
 * with, and the same for the same seed.
 *
 * @param costOf what is to be as small as it can be; the score of the day unless said
 */
export function improveDay(
  work: DayWork,
  start: Ordered,
  { tries, seed = 1, goOn }: Effort,
  costOf: (plan: DayPlan) => Cost = ({ score }) => costOfScore(score),
): Ordered {
  const random = seeded(seed);
  if (work.day.operations.every(({ at }) => at !== undefined)) return start;
  let best: Costed = { ordered: start, cost: costOf(start.plan) };
  let here = best;
  let idle = 0;
  for (let i = 0; i < tries && mayGoOn(i, goOn); i += 1) {
    const shakes = idle > PATIENCE;
    const ordered = moved(work, here.ordered, random, shakes ? SHAKE : 1);
    const next = { ordered, cost: costOf(ordered.plan) };
    if (shakes || compareCosts(next.cost, here.cost) <= 0) here = next;
    if (compareCosts(here.cost, best.cost) < 0) {
      best = here;
      idle = 0;
    } else idle = shakes ? 0 : idle + 1;
    // A shake begins at the best as often as where the search has wandered to.
    if (idle === PATIENCE && random() < 0.5) here = best;
  }
  return best.ordered;
}

const mayGoOn = (i: number, goOn: Effort['goOn']): boolean => i % LOOKED_AT !== 0 || goOn?.() !== false;

interface Costed {
  readonly ordered: Ordered;
  readonly cost: Cost;
}

/** Orders between two looks at whether to go on. */
const LOOKED_AT = 64;

function moved(work: DayWork, { order, benchOf }: Ordered, random: () => number, times: number): Ordered {
  let ids = [...order];
  const benches = new Map(benchOf);
  for (let i = 0; i < times; i += 1) {
    const kind = random();
    if (kind < 0.25 && work.day.benches.length > 1) toAnotherBench(work, ids, benches, random);
    else if (kind < 0.5) ids = withBagMoved(work, ids, random);
    else if (kind < 0.75) swap(ids, pick(ids.length, random), pick(ids.length, random));
    else shift(ids, pick(ids.length, random), pick(ids.length, random));
  }
  return { order: ids, benchOf: benches, plan: placeOperations(work, ids, benches) };
}

const pick = (length: number, random: () => number): number => Math.floor(random() * length);

function swap(ids: string[], a: number, b: number): void {
  const one = ids[a] ?? '';
  ids[a] = ids[b] ?? '';
  ids[b] = one;
}

function shift(ids: string[], from: number, to: number): void {
  const [one] = ids.splice(from, 1);
  if (one !== undefined) ids.splice(to, 0, one);
}

/** All of one bag moves in front of something else. */
function withBagMoved({ byId }: DayWork, ids: readonly string[], random: () => number): string[] {
  const bag = byId.get(ids[pick(ids.length, random)] ?? '')?.bags[0];
  if (bag === undefined) return [...ids];
  const isOfBag = (id: string): boolean => byId.get(id)?.bags.includes(bag) === true;
  const rest = ids.filter((id) => !isOfBag(id));
  rest.splice(pick(rest.length + 1, random), 0, ...ids.filter(isOfBag));
  return rest;
}

function toAnotherBench(
  { day, byId }: DayWork,
  ids: readonly string[],
  benches: Map<string, string>,
  random: () => number,
): void {
  const at = ids.map((id) => byId.get(id)).filter((one) => one && DONE_AT[one.kind] === 'bench');
  const one = at[pick(at.length, random)];
  if (!one) return;
  // As often as one bench each, wherever it can begin first.
  const bench = day.benches[pick(day.benches.length + 1, random)];
  if (bench === undefined) benches.delete(one.id);
  else benches.set(one.id, bench);
}
