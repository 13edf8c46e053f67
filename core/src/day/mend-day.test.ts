import { describe, expect, it } from 'vitest';
import { OPEN, someDay } from '../testing/days';
import type { Day, Operation } from './day';
import { earliestPromise } from './earliest-promise';
import { mendDay, movedIn } from './mend-day';
import { planDay } from './plan-day';

const EFFORT = { tries: 250 };

/** A day without one of its bags. */
const without = (day: Day, bag: string): Day => ({
  ...day,
  bags: day.bags.filter(({ id }) => id !== bag),
  operations: day.operations.filter(({ bags }) => !bags.includes(bag)),
});

/** A day with ease: every bag is promised for the evening. */
const easy = (seed: number): Day => {
  const day = someDay(seed, 10);
  return { ...day, bags: day.bags.map((bag) => ({ ...bag, due: 1080 })) };
};

describe('A day that is followed', () => {
  it('stays as it was where nothing happened', () => {
    const day = someDay(4, 14);
    const before = planDay(day, EFFORT);
    const after = mendDay(day, before, EFFORT);
    expect(movedIn(before.plan, after.plan)).toEqual([]);
  });

  it('takes a bag in without moving the others where every promise holds', () => {
    const day = easy(6);
    const { id } = day.bags.at(-1)!;
    const before = planDay(without(day, id), EFFORT);
    const after = mendDay(day, before, EFFORT);
    expect(after.plan.score.broken).toBe(0);
    const order = (placed: readonly { id: string }[]) =>
      placed.filter((one) => before.order.includes(one.id)).map((one) => one.id);
    const fills = (ids: readonly string[]) => ids.filter((one) => one.startsWith('fill'));
    expect(fills(order(after.plan.placed))).toEqual(fills(order(before.plan.placed)));
  });

  it('moves things where a promise is broken otherwise, and says which', () => {
    const day = easy(6);
    const before = planDay(day, EFFORT);
    const last = before.plan.placed.filter(({ id }) => id.startsWith('shelf')).at(-1)!;
    const bag = last.id.slice('shelf:'.length);
    const sooner: Day = {
      ...day,
      bags: day.bags.map((one) => (one.id === bag ? { ...one, due: 720 } : one)),
    };
    const after = mendDay(sooner, before, EFFORT);
    expect(after.plan.score.broken).toBe(0);
    expect(movedIn(before.plan, after.plan).map(({ id }) => id)).toContain(last.id);
  });

  it('goes on with who is left when somebody goes home', () => {
    const day = easy(9);
    const before = planDay(day, EFFORT);
    const left: Day = {
      ...day,
      people: day.people.map((one) => (one.id === 'Bo' ? { ...one, hours: [] } : one)),
    };
    const after = mendDay(left, before, EFFORT);
    expect(new Set(after.plan.placed.map(({ person }) => person))).toEqual(new Set(['Ada']));
    expect(after.plan.placed).toHaveLength(day.operations.length);
  });

  it('leaves out what is done', () => {
    const day = someDay(4, 10);
    const before = planDay(day, EFFORT);
    const { id } = day.bags[0]!;
    const after = mendDay(without(day, id), before, EFFORT);
    expect(after.order.some((one) => before.order.includes(one))).toBe(true);
    expect(after.plan.bags.some((bag) => bag.id === id)).toBe(false);
  });

  it('is never worse in what is promised than the order as it was, filled up', () => {
    for (let seed = 1; seed <= 4; seed += 1) {
      const day = someDay(seed, 12);
      const { id } = day.bags[2]!;
      const before = planDay(without(day, id), EFFORT);
      const at0 = mendDay(day, before, { tries: 0 }).plan.score;
      const after = mendDay(day, before, EFFORT).plan.score;
      expect([after.dried, after.broken]).toSatisfy(
        (now: number[]) => now[0]! < at0.dried || (now[0] === at0.dried && now[1]! <= at0.broken),
      );
    }
  });
});

describe('The earliest promise', () => {
  const day = easy(8);
  const { id } = day.bags.at(-1)!;
  const before = planDay(without(day, id), EFFORT);

  it('holds nine times in ten, and no other is broken for it', () => {
    const due = earliestPromise(day, id, before)!;
    expect(due % 15).toBe(0);
    const promised: Day = { ...day, bags: day.bags.map((bag) => (bag.id === id ? { ...bag, due } : bag)) };
    const after = mendDay(promised, before, EFFORT).plan;
    expect(after.score).toMatchObject({ broken: 0, unsure: 0 });
    expect(after.bags.find((bag) => bag.id === id)!.risk).toBeLessThanOrEqual(0.1);
  });

  it('is later where there is more to do before it', () => {
    const busy = someDay(8, 30);
    const bag = busy.bags.at(-1)!.id;
    const alone: Day = {
      ...busy,
      bags: busy.bags.filter((one) => one.id === bag),
      operations: busy.operations.filter(({ bags }) => bags.every((one) => one === bag)),
    };
    const none = { order: [], benchOf: new Map<string, string>() };
    const order = planDay(without(busy, bag), EFFORT);
    expect(earliestPromise(busy, bag, order)!).toBeGreaterThan(earliestPromise(alone, bag, none)!);
  });

  it('comes after what was promised before it, where both do not fit', () => {
    const hours = [[0, 1000]] as const;
    const fill = (id: string): Operation => ({
      id,
      kind: 'fill',
      reels: [id],
      bags: [id],
      pieces: [],
      minutes: 60,
      sd: 0,
      after: [],
      earliest: 0,
    });
    const two: Day = {
      now: 0,
      hours,
      benches: ['one'],
      people: [{ id: 'Ada', hours }],
      bags: [
        { id: 'old', due: 90, came: 0 },
        { id: 'new', due: 900, came: 1 },
      ],
      operations: [fill('old'), fill('new')],
    };
    const alone = { order: ['old'], benchOf: new Map<string, string>() };
    expect(earliestPromise(two, 'new', alone)).toBe(120);
    const late: Day = { ...two, bags: two.bags.map((bag) => ({ ...bag, due: 900 })) };
    expect(earliestPromise(late, 'new', alone)).toBe(60);
  });

  it('is none where nobody is there', () => {
    expect(earliestPromise({ ...day, people: [] }, id, before)).toBeNull();
    expect(earliestPromise({ ...day, people: [{ id: 'Ada', hours: OPEN }] }, id, before)).not.toBeNull();
  });
});
