import { spanText } from '@yard-spool/core';
import { DateTime } from 'luxon';

export type Urgency = 'late' | 'today' | 'soon' | 'later';

/** How urgent a promise is: past, today, within two days, or later. */
export function howUrgent(iso: string, now: DateTime = DateTime.now()): Urgency {
  const at = DateTime.fromISO(iso);
  if (at < now) return 'late';
  const days = at.startOf('day').diff(now.startOf('day'), 'days').days;
  return days < 1 ? 'today' : days < 3 ? 'soon' : 'later';
}

/** The time that is left, or has passed, as people say it. */
export function timeLeft(iso: string, now: DateTime = DateTime.now()): string {
  const minutes = DateTime.fromISO(iso).diff(now, 'minutes').minutes;
  return minutes < 0 ? `${spanText(minutes)} late` : `in ${spanText(minutes)}`;
}
