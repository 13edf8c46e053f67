import type { OpenHours } from '@yard-spool/contract';
import type { Span } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { inZone } from '../shop/shop-day';

/** Days ahead that are planned within. */
const AHEAD = 21;

/** Minutes since 1970, in which a day is planned. */
export const minutesOf = (at: Date): number => at.getTime() / 60_000;
export const isoOf = (minutes: number): string => new Date(Math.round(minutes * 60_000)).toISOString();

/**
 * When a shop is open from a day on, for three weeks: in its own time zone, so that a clock that is put forward or back
 * moves with it.
 */
export function openSpans({ opens, closes, closedOn }: OpenHours, zone: string, now: Date): Span[] {
  const today = inZone(now.toISOString(), zone).startOf('day');
  return Array.from({ length: AHEAD }, (_, i) => today.plus({ days: i }))
    .filter(({ weekday }) => !closedOn.includes(weekday))
    .map((day): Span => [at(day, opens), at(day, closes)]);
}

function at(day: DateTime, time: string): number {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  return minutesOf(day.set({ hour, minute }).toJSDate());
}
