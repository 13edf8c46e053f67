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
  const size = Math.abs(minutes);
  const said =
    size < 90
      ? `${String(Math.round(size))} min`
      : size < 60 * 36
        ? `${String(Math.round(size / 60))} h`
        : `${String(Math.round(size / 1440))} days`;
  return minutes < 0 ? `${said} late` : `in ${said}`;
}
