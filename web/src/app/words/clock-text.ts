import { DateTime } from 'luxon';

/** `9:05`, and the day before it where that is not today. */
export function clockText(iso: string, now: string): string {
  const at = DateTime.fromISO(iso);
  const days = Math.round(at.startOf('day').diff(DateTime.fromISO(now).startOf('day'), 'days').days);
  return days === 0 ? at.toFormat('H:mm') : at.toFormat('ccc H:mm');
}
