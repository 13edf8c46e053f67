import type { DayWish } from '@yard-spool/contract';
import type { Wish } from '@yard-spool/core';
import { minutesOf } from './open-spans';

/** What is pinned to a time that has passed is the next thing to do for so long, and then as free as any, minutes. */
const HOLDS_FOR = 60;
/** Right from now on, but not begun, minutes. */
const SOON = 0.01;

/** What is asked by hand, as the core plans with it. */
export const asWish = ({ benchId, personId, earliestAt, at, apart }: DayWish, now: Date): Wish => ({
  ...(benchId === null ? {} : { bench: String(benchId) }),
  ...(personId === null ? {} : { person: String(personId) }),
  ...(earliestAt === null ? {} : { earliest: minutesOf(new Date(earliestAt)) }),
  ...(at === null ? {} : pinned(minutesOf(new Date(at)), minutesOf(now))),
  ...(apart ? { apart } : {}),
});

const pinned = (at: number, now: number): Pick<Wish, 'at'> =>
  at > now ? { at } : at > now - HOLDS_FOR ? { at: now + SOON } : {};
