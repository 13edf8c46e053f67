import type { DayWish } from '@yard-spool/contract';
import type { Wish } from '@yard-spool/core';
import { minutesOf } from './open-spans';

/** What is asked by hand, as the core plans with it. */
export const asWish = ({ benchId, personId, earliestAt, at, apart }: DayWish): Wish => ({
  ...(benchId === null ? {} : { bench: String(benchId) }),
  ...(personId === null ? {} : { person: String(personId) }),
  ...(earliestAt === null ? {} : { earliest: minutesOf(new Date(earliestAt)) }),
  ...(at === null ? {} : { at: minutesOf(new Date(at)) }),
  ...(apart ? { apart } : {}),
});
