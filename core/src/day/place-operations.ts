import {
  type After,
  CHANGE_MINUTES,
  DONE_AT,
  OUTING_MINUTES,
  type Day,
  type DayPerson,
  type DayPlan,
  type Operation,
  type Placed,
} from './day';
import { inHand, scoreOf } from './score';
import { book, firstFree, firstWithin, lastBefore, type Busy } from './timeline';

/** Something a bench or a person is busy with. */
interface Work extends Busy {
  readonly operation: Operation;
}

/** Where one operation could go. */
interface Slot {
  readonly start: number;
  readonly minutes: number;
  readonly bench: string;
  readonly person: DayPerson;
  /** What of it is not on the bench yet. */
  readonly changes: number;
  /** Whether whoever does it did the thing before it there: the same hands go on where nothing is lost by it. */
  readonly goesOn: boolean;
}

/** A day, known well enough to be put in order many times. */
export interface DayWork {
  readonly day: Day;
  readonly byId: ReadonlyMap<string, Operation>;
  /** Everything of each bag: all of it has to end before the bag is on its shelf. */
  readonly endsOf: ReadonlyMap<string, readonly string[]>;
  /** What has to be lifted out of the water again in time, and how long that takes: by what puts it in. */
  readonly liftOf: ReadonlyMap<string, After & { readonly minutes: number }>;
}

export function workOf(day: Day): DayWork {
  const endsOf = new Map<string, string[]>();
  for (const { id, bags } of day.operations)
    for (const bag of bags) endsOf.set(bag, [...(endsOf.get(bag) ?? []), id]);
  const lifts = day.operations.filter(({ kind }) => kind === 'out');
  const liftOf = new Map(
    lifts.flatMap(({ after, minutes }) => after.map((one) => [one.id, { ...one, minutes }] as const)),
  );
  return { day, byId: new Map(day.operations.map((one) => [one.id, one])), endsOf, liftOf };
}

/**
 * A day with its operations placed one after another, each as early as it can be where it has most of what it needs.
 *
 * @param order which is placed first, by id; what something waits for is placed before it
 * @param benchOf a bench for some of them; the others go where they can begin first
 */
export function placeOperations(
  work: DayWork,
  order: readonly string[],
  benchOf: ReadonlyMap<string, string>,
): DayPlan {
  const { day, byId, endsOf } = work;
  const placing = new Placing(work, benchOf);
  // What has begun is where it is, and what is pinned has its time, before anything else is placed.
  for (const one of atTheirTime(day)) placing.place(one);
  for (const id of order) {
    const one = byId.get(id);
    if (one) placing.place(one);
  }
  for (const one of day.operations) placing.place(one);
  const bags = day.bags.map((bag) =>
    inHand(
      bag,
      (endsOf.get(bag.id) ?? []).map((id) => placing.placed.get(id) ?? null),
    ),
  );
  const placed = placing.inOrder();
  return { placed, bags, score: scoreOf(day, placed, bags, placing.dried) };
}

/** What has begun, or is pinned, in order of its time: of two that are pinned to one time the second comes behind. */
const atTheirTime = ({ operations }: Day): readonly Operation[] =>
  operations.filter(({ at }) => at !== undefined).sort((a, b) => (a.at ?? 0) - (b.at ?? 0));

class Placing {
  readonly placed = new Map<string, Placed>();
  dried = 0;
  private readonly benches: ReadonlyMap<string, Work[]>;
  private readonly people: ReadonlyMap<string, Work[]>;
  private readonly pieces = new Map<string, Work[]>();

  private readonly day: Day;
  private readonly byId: DayWork['byId'];

  constructor(
    private readonly work: DayWork,
    private readonly benchOf: ReadonlyMap<string, string>,
  ) {
    const { day, byId } = work;
    this.day = day;
    this.byId = byId;
    this.benches = new Map(day.benches.map((id) => [id, []]));
    this.people = new Map(day.people.map(({ id }) => [id, []]));
  }

  place(operation: Operation): void {
    if (this.placed.has(operation.id)) return;
    for (const { id } of operation.after) {
      const before = this.byId.get(id);
      if (before) this.place(before);
    }
    const slot = this.slotOf(operation);
    if (!slot) return;
    const { start, minutes, bench, person, changes } = slot;
    const sd = Math.hypot(this.sdBefore(operation, slot), operation.sd);
    const work: Work = { from: start, to: start + minutes, sd, operation };
    const busyBench = this.benches.get(bench);
    if (busyBench) book(busyBench, work);
    book(this.people.get(person.id) ?? [], work);
    for (const piece of operation.pieces) book(this.piece(piece), work);
    for (const { id, most } of operation.after)
      if (start - (this.placed.get(id)?.end ?? start) > most) this.dried += 1;
    this.placed.set(operation.id, {
      id: operation.id,
      start,
      end: work.to,
      bench,
      person: person.id,
      changes,
      outing: false,
      sd,
    });
  }

  /** All that is placed in order of time, with what is changed and walked to counted as it came to stand. */
  inOrder(): Placed[] {
    const counted = new Map<string, Partial<Placed>>();
    for (const busy of this.benches.values()) {
      let there: readonly string[] = [];
      for (const { operation } of busy) {
        counted.set(operation.id, { changes: newOf(operation.pieces, there) });
        if (operation.pieces.length > 0) there = operation.pieces;
      }
    }
    for (const busy of this.people.values())
      busy.forEach((one, i) => {
        if (DONE_AT[one.operation.kind] === 'field')
          counted.set(one.operation.id, { outing: !staysOut(busy[i - 1], one.from) });
      });
    return [...this.placed.values()]
      .map((one) => ({ ...one, ...counted.get(one.id) }))
      .sort((a, b) => a.start - b.start || (a.id < b.id ? -1 : 1));
  }

  private piece(id: string): Work[] {
    const busy = this.pieces.get(id) ?? [];
    this.pieces.set(id, busy);
    return busy;
  }

  private slotOf(operation: Operation): Slot | null {
    let best: Slot | null = null;
    // Whoever is not with the shop any more does nothing: anybody else may.
    const only = this.people.has(operation.person ?? '') ? operation.person : undefined;
    for (const bench of this.benchesFor(operation))
      for (const person of this.day.people) {
        if (only !== undefined && only !== person.id) continue;
        const slot = this.slotAt(operation, bench, person);
        if (Number.isFinite(slot.start) && (!best || isBetter(slot, best))) best = slot;
      }
    return best;
  }

  private benchesFor({ id, kind, bench }: Operation): readonly string[] {
    if (DONE_AT[kind] !== 'bench') return [''];
    const only = bench ?? this.benchOf.get(id);
    return only === undefined || !this.benches.has(only) ? this.day.benches : [only];
  }

  /** The earliest a bench and a person have for it. */
  private slotAt(operation: Operation, bench: string, person: DayPerson): Slot {
    const { day } = this;
    const atBench = this.benches.get(bench) ?? [];
    const byPerson = this.people.get(person.id) ?? [];
    const busy = [atBench, byPerson, ...operation.pieces.map((piece) => this.piece(piece))];
    const { at, earliest } = operation;
    const fixed = this.begunAt(operation);
    // What is pinned waits for nothing it was put before, but for what has to be done first, and for a free bench.
    let start = fixed ?? Math.max(day.now, at ?? earliest, this.readyAt(operation));
    let slot = this.slotFrom(operation, start, { bench, atBench, person, byPerson });
    if (fixed !== undefined) return slot;
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      let next = start;
      for (const one of busy) next = firstFree(one, next, slot.minutes);
      next = this.beyondTaking(operation, atBench, next);
      next = firstWithin(person.hours, firstWithin(day.hours, next, slot.minutes), slot.minutes);
      next = this.inTimeToLift(operation, next, slot.minutes);
      if (!Number.isFinite(next)) return { ...slot, start: Infinity };
      slot = this.slotFrom(operation, next, { bench, atBench, person, byPerson });
      if (next === start) break;
      start = next;
    }
    return slot;
  }

  /** Late enough that somebody is there to take it out before it has lain too long: not in the evening for an hour. */
  private inTimeToLift({ id }: Operation, start: number, minutes: number): number {
    const lift = this.work.liftOf.get(id);
    if (!lift) return start;
    const ready = start + minutes + lift.least;
    const out = firstWithin(this.day.hours, ready, lift.minutes);
    if (out - (start + minutes) <= lift.most) return start;
    const opens = this.day.hours.find(([from, to]) => from <= out && out < to)?.[0] ?? out;
    return Math.max(start, opens);
  }

  /** Past what comes next at a bench, where this would take the supply away that it counted on. */
  private beyondTaking({ pieces }: Operation, atBench: readonly Work[], start: number): number {
    const next = atBench.find(({ from, operation }) => from >= start && operation.pieces.length > 0);
    if (!next || pieces.length === 0) return start;
    const before = this.supplyAt(atBench, start);
    const needs = next.operation.pieces;
    return newOf(needs, pieces) > newOf(needs, before) ? next.to : start;
  }

  /** What a bench has on at a moment: stripping a reel, or relieving its line, takes no supply off. */
  private supplyAt(atBench: readonly Work[], moment: number): readonly string[] {
    const last = atBench.findLast(({ to, operation }) => to <= moment && operation.pieces.length > 0);
    return last?.operation.pieces ?? [];
  }

  private slotFrom(operation: Operation, start: number, at: At): Slot {
    const { bench, atBench, person, byPerson } = at;
    const isField = DONE_AT[operation.kind] === 'field';
    const before = lastBefore(atBench, start);
    const there = this.supplyAt(atBench, start);
    const changes = DONE_AT[operation.kind] === 'bench' ? newOf(operation.pieces, there) : 0;
    const last = lastBefore(byPerson, start);
    const out = isField && !staysOut(last, start) ? OUTING_MINUTES : 0;
    // What has begun is told with all that it takes.
    const more = this.begunAt(operation) === undefined ? changes * CHANGE_MINUTES + out : 0;
    const goesOn = before !== undefined && before === last;
    return { start, minutes: operation.minutes + more, bench, person, changes, goesOn };
  }

  /** When something began; undefined for what has not, pinned or not. */
  private begunAt({ at }: Operation): number | undefined {
    return at !== undefined && at <= this.day.now ? at : undefined;
  }

  private readyAt({ after }: Operation): number {
    let ready = -Infinity;
    for (const { id, least } of after) {
      const before = this.placed.get(id);
      if (before) ready = Math.max(ready, before.end + least);
    }
    return ready;
  }

  /** How far off what it begins right after may be: the furthest of all that it waits for. */
  private sdBefore(operation: Operation, { start, bench, person }: Slot): number {
    if (this.begunAt(operation) !== undefined) return 0;
    let sd = 0;
    const hears = (one: Busy | undefined): void => {
      if (one && one.to >= start - NEAR) sd = Math.max(sd, one.sd);
    };
    hears(lastBefore(this.benches.get(bench) ?? [], start));
    hears(lastBefore(this.people.get(person.id) ?? [], start));
    for (const piece of operation.pieces) hears(lastBefore(this.piece(piece), start));
    for (const { id, least } of operation.after) {
      const before = this.placed.get(id);
      if (before && before.end + least >= start - NEAR) sd = Math.max(sd, before.sd);
    }
    return sd;
  }
}

interface At {
  readonly bench: string;
  readonly atBench: readonly Work[];
  readonly person: DayPerson;
  readonly byPerson: readonly Work[];
}

/** Rounds until bench, person, pieces and hours agree on a start; far more than are ever needed. */
const MOST_ROUNDS = 60;
/** What ends less than this long before is waited for, minutes. */
const NEAR = 1;
/** Somebody who walks again within so many minutes has not come in between. */
const STAYS_OUT = 5;

const isBetter = (a: Slot, b: Slot): boolean => {
  const end = a.start + a.minutes - (b.start + b.minutes);
  if (Math.abs(end) > 0.5) return end < 0;
  return a.changes !== b.changes ? a.changes < b.changes : a.goesOn && !b.goesOn;
};

const newOf = (pieces: readonly string[], there: readonly string[]): number =>
  pieces.filter((piece) => !there.includes(piece)).length;

const staysOut = (before: Work | undefined, start: number): boolean =>
  before !== undefined && DONE_AT[before.operation.kind] === 'field' && start - before.to <= STAYS_OUT;
