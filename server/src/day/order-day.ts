import { earliestPromise, mendDay, planDay, type Day, type Ordered } from '@yard-spool/core';
import { task } from '../work/task';

/** What a worker puts in order. */
export interface DayToOrder {
  readonly day: Day;
  /** The order as it was, which is mended; left out, the day is put in order from the beginning. */
  readonly before?: Ordered;
  readonly tries: number;
  /** The longest it may take, ms. */
  readonly within: number;
}

export const ORDER_DAY = task<typeof orderDay>('order-day');

export function orderDay({ day, before, tries, within }: DayToOrder): Ordered {
  const until = performance.now() + within;
  const effort = { tries, goOn: () => performance.now() < until };
  return before ? mendDay(day, before, effort) : planDay(day, effort);
}

/** A day with one more bag, and the order without it. */
export interface PromiseToFind {
  readonly day: Day;
  readonly bag: string;
  readonly before: Pick<Ordered, 'order' | 'benchOf'>;
}

export const EARLIEST = task<typeof findEarliest>('earliest-promise');

export const findEarliest = ({ day, bag, before }: PromiseToFind): number | null =>
  earliestPromise(day, bag, before);
