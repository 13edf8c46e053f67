import { describe, expect, it } from 'vitest';
import { OPEN, someDay } from '../testing/days';
import { seeded } from '../numeric/random';
import { CHANGE_MINUTES, type Day, type Operation } from './day';
import { byArrival, byPromise, soaksFirst } from './first-orders';
import { orderedBy, planDay } from './plan-day';
import { workOf } from './place-operations';
import { compareScores } from './score';

const ALL_DAY = [[0, 10_000]] as const;

/** Fills of bags of one reel each, that take exactly as long as they take. */
function fillsOnly(seed: number, count: number, benches: number): Day {
  const random = seeded(seed);
  const names = ['one', 'two'].slice(0, benches);
  const operations = Array.from({ length: count }, (_, i): Operation => ({
    id: `f${String(i)}`,
    kind: 'fill',
    reels: [`r${String(i)}`],
    bags: [`b${String(i)}`],
    pieces: [`p${String(Math.floor(3 * random()))}`],
    minutes: 10 + Math.round(30 * random()),
    sd: 0,
    after: [],
    earliest: random() < 0.2 ? 30 : 0,
  }));
  return {
    now: 0,
    hours: ALL_DAY,
    benches: names,
    people: names.map((id) => ({ id, hours: ALL_DAY })),
    bags: operations.map(({ bags }, came) => ({ id: bags[0]!, due: 20 + Math.round(90 * random()), came })),
    operations,
  };
}

/** What a bench is free from, and what it has on. */
interface Bench {
  readonly free: number;
  readonly piece: string;
}
type Sum = readonly [broken: number, late: number, changes: number, finish: number];

/** Broken, late, changes and finishing time of the best of all orders at all benches, tried one by one. */
function bestOfAll({ operations, benches, bags }: Day): Sum {
  const due = new Map(bags.map((bag) => [bag.id, bag.due]));
  const bestFrom = (
    left: readonly Operation[],
    at: Readonly<Record<string, Bench>>,
    pieces: Readonly<Record<string, number>>,
    [broken, late, changes, finish]: Sum,
  ): Sum => {
    const ways = left.flatMap((one) =>
      benches.map((bench): Sum => {
        const was = at[bench] ?? { free: 0, piece: '' };
        const piece = one.pieces[0]!;
        const change = Number(was.piece !== piece);
        const start = Math.max(was.free, pieces[piece] ?? 0, one.earliest);
        const end = start + one.minutes + change * CHANGE_MINUTES;
        const over = Math.max(0, end - due.get(one.bags[0]!)!);
        return bestFrom(
          left.filter((other) => other !== one),
          { ...at, [bench]: { free: end, piece } },
          { ...pieces, [piece]: end },
          [broken + Number(over > 0), late + over, changes + change, Math.max(finish, end)],
        );
      }),
    );
    return ways.length === 0
      ? [broken, late, changes, finish]
      : ways.reduce((best, one) => (before(one, best) ? one : best));
  };
  return bestFrom(operations, {}, {}, [0, 0, 0, 0]);
}

const before = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at >= 0 && a[at]! < b[at]!;
};

describe('A day in order', () => {
  it.each(Array.from({ length: 40 }, (_, seed) => [seed, 3 + (seed % 3), 1 + (seed % 2)]))(
    'number %i, of %i fills at %i benches, is as good as the best of all orders there are',
    (seed, count, benches) => {
      const day = fillsOnly(seed, count, benches);
      const { score } = planDay(day, { tries: 1500 }).plan;
      expect([score.broken, score.late, score.changes, score.finish]).toEqual(bestOfAll(day));
    },
  );

  it('is never worse than by promise, by arrival, or soaks first, and better by looking longer', () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const day = someDay(seed, 12);
      const work = workOf(day);
      const first = planDay(day, { tries: 0 }).plan.score;
      const ours = planDay(day, { tries: 300 }).plan.score;
      for (const order of [byPromise(day), byArrival(day), soaksFirst(day)])
        expect(compareScores(first, orderedBy(work, order).plan.score)).toBeLessThanOrEqual(0);
      expect(compareScores(ours, first)).toBeLessThanOrEqual(0);
    }
  });

  it('keeps to what is so: one thing at a time for bench, person and piece, what comes first first, within hours', () => {
    for (let seed = 1; seed <= 8; seed += 1) {
      const day = someDay(seed, 16);
      const { placed } = planDay(day, { tries: 200 }).plan;
      expect(placed).toHaveLength(day.operations.length);
      const byId = new Map(day.operations.map((one) => [one.id, one]));
      const at = new Map(placed.map((one) => [one.id, one]));
      for (const one of placed) {
        const operation = byId.get(one.id)!;
        expect(day.hours.some(([from, to]) => one.start >= from && one.end <= to)).toBe(true);
        expect(one.start).toBeGreaterThanOrEqual(Math.max(day.now, operation.earliest));
        // Nothing is told to be quicker than its changes of supply let it be.
        expect(one.end - one.start + 1e-6).toBeGreaterThanOrEqual(
          operation.minutes + CHANGE_MINUTES * one.changes,
        );
        for (const { id, least } of operation.after)
          expect(one.start).toBeGreaterThanOrEqual(at.get(id)!.end + least - 1e-6);
        const meets = placed.filter(
          (other) => other !== one && other.start < one.end - 1e-6 && other.end > one.start + 1e-6,
        );
        for (const other of meets) {
          expect(other.person).not.toBe(one.person);
          if (one.bench !== '') expect(other.bench).not.toBe(one.bench);
          const shared = byId.get(other.id)!.pieces.filter((piece) => operation.pieces.includes(piece));
          expect(shared).toEqual([]);
        }
      }
    }
  });

  it('leaves what has begun, and what is pinned, where it is', () => {
    const day = someDay(3, 12);
    const fills = day.operations.filter(({ kind }) => kind === 'fill');
    const pinned = fills[4]!.id;
    const operations = day.operations.map((one) =>
      one.id === pinned ? { ...one, at: 700, bench: 'two', person: 'Bo', after: [] } : one,
    );
    const { placed } = planDay({ ...day, operations }, { tries: 300 }).plan;
    expect(placed.find(({ id }) => id === pinned)).toMatchObject({ start: 700, bench: 'two', person: 'Bo' });
  });

  it('puts one of two that are pinned to one time and bench behind the other, and neither before its line is there', () => {
    const day = someDay(3, 12);
    const fills = day.operations
      .filter(({ kind }) => kind === 'fill')
      .slice(0, 3)
      .map(({ id }) => id);
    const operations = day.operations.map((one) =>
      fills.includes(one.id) ? { ...one, at: 700, bench: 'two' } : one,
    );
    const { placed } = planDay({ ...day, operations }, { tries: 300 }).plan;
    const at = new Map(placed.map((one) => [one.id, one]));
    const pinned = fills.map((id) => at.get(id)!).sort((a, b) => a.start - b.start);
    pinned.slice(1).forEach((one, i) => expect(one.start).toBeGreaterThanOrEqual(pinned[i]!.end - 1e-6));
    for (const { id, after } of operations.filter((one) => fills.includes(one.id)))
      for (const { id: before, least } of after)
        expect(at.get(id)!.start).toBeGreaterThanOrEqual(at.get(before)!.end + least - 1e-6);
  });

  it('gives what asks for a bench or a person to them alone', () => {
    const day = someDay(5, 10);
    const operations = day.operations.map((one) => ({ ...one, bench: 'two', person: 'Ada' }));
    const { placed } = planDay({ ...day, operations }, { tries: 50 }).plan;
    expect(new Set(placed.map(({ person }) => person))).toEqual(new Set(['Ada']));
    expect(new Set(placed.map(({ bench }) => bench))).toEqual(new Set(['', 'two']));
  });

  it('gives what was asked of somebody who left, or of a bench that is gone, to anybody', () => {
    const day = someDay(5, 6);
    const operations = day.operations.map((one, i) => ({
      ...one,
      person: 'Gone',
      bench: 'gone',
      // The first was begun by them.
      ...(i === 0 ? { at: day.now - 10 } : {}),
    }));
    const { placed } = planDay({ ...day, operations }, { tries: 20 }).plan;
    expect(placed.map(({ id }) => id).sort()).toEqual(day.operations.map(({ id }) => id).sort());
  });

  it('breaks every promise where nobody is there', () => {
    const day = someDay(2, 4, { people: [] });
    const { plan } = planDay(day, { tries: 10 });
    expect(plan.placed).toEqual([]);
    expect(plan.score.broken).toBe(day.bags.length);
  });

  it('of nothing is nothing', () => {
    const day = someDay(1, 0);
    expect(planDay(day, { tries: 10 }).plan).toMatchObject({
      placed: [],
      bags: [],
      score: { broken: 0, finish: 545 },
    });
  });

  it('puts nothing between two that share a supply, as if that took no change', () => {
    const fill = (id: string, piece: string, earliest: number): Operation => ({
      id,
      kind: 'fill',
      reels: [id],
      bags: [id],
      pieces: [piece],
      minutes: 20,
      sd: 0,
      after: [],
      earliest,
    });
    const day: Day = {
      now: 0,
      hours: ALL_DAY,
      benches: ['one'],
      people: [{ id: 'Ada', hours: ALL_DAY }],
      bags: ['x', 'y', 'z'].map((id, came) => ({ id, due: 500, came })),
      operations: [fill('x', 'p', 0), fill('y', 'p', 100), fill('z', 'q', 0)],
    };
    const { placed } = orderedBy(workOf(day), ['x', 'y', 'z']).plan;
    expect(placed.map(({ id, start, end }) => [id, start, end])).toEqual([
      ['x', 0, 22],
      ['y', 100, 120],
      ['z', 120, 142],
    ]);
  });

  it('puts nothing into the water that nobody is there to take out in time', () => {
    const shared = { reels: [], bags: ['b'], pieces: ['N-1'], minutes: 3, sd: 0, earliest: 0 };
    const day: Day = {
      now: 1020,
      hours: OPEN,
      benches: ['one'],
      people: [{ id: 'Ada', hours: OPEN }],
      bags: [{ id: 'b', due: 2500, came: 0 }],
      operations: [
        { ...shared, id: 'soak', kind: 'soak', after: [] },
        { ...shared, id: 'out', kind: 'out', after: [{ id: 'soak', least: 90, most: 240 }] },
      ],
    };
    const { placed, score } = planDay(day, { tries: 20 }).plan;
    expect(placed.map(({ start }) => start)).toEqual([1980, 1980 + 93]);
    expect(score.dried).toBe(0);
  });

  it('walks counters in one go where nothing is lost by it', () => {
    const reel = (id: string): Operation => ({
      id,
      kind: 'walk',
      reels: [id],
      bags: [id],
      pieces: [],
      minutes: 10,
      sd: 0,
      after: [],
      earliest: 0,
    });
    const ids = ['a', 'b', 'c'];
    const fill: Operation = { ...reel('f'), kind: 'fill', minutes: 20 };
    const day: Day = {
      now: 0,
      hours: ALL_DAY,
      benches: ['one'],
      people: [{ id: 'Ada', hours: ALL_DAY }],
      bags: [...ids, 'f'].map((id, came) => ({ id, due: 500, came })),
      operations: [reel('a'), fill, reel('b'), reel('c')],
    };
    expect(planDay(day, { tries: 200 }).plan.score).toMatchObject({ outings: 1, finish: 58 });
  });
});

describe('Of two scores', () => {
  it('the one that is better at the earlier level is better, whatever lies behind it', () => {
    const { score } = planDay(someDay(3, 6), { tries: 0 }).plan;
    expect(compareScores(score, { ...score, late: score.late + 1, changes: 0 })).toBeLessThan(0);
    expect(compareScores(score, { ...score, changes: score.changes + 1, finish: 0 })).toBeLessThan(0);
    expect(compareScores(score, { ...score })).toBe(0);
  });
});
