import { DateTime } from 'luxon';

/** When something is promised, as it is said in the shop: today 17:00, tomorrow 9:00, Wed 25 Nov 12:00. */
export function promisedText(iso: string, now: DateTime = DateTime.now()): string {
  const at = DateTime.fromISO(iso);
  const days = Math.round(at.startOf('day').diff(now.startOf('day'), 'days').days);
  const day = { [-1]: 'yesterday', 0: 'today', 1: 'tomorrow' }[days] ?? at.toFormat('ccc d LLL');
  return `${day} ${at.toFormat('H:mm')}`;
}
