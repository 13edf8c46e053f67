import { DateTime } from 'luxon';
import { inZone } from '../shop/shop-day';

const FORMS = [
  'yyyy-MM-dd',
  'd.M.yyyy',
  'd/M/yyyy',
  'd LLL yyyy',
  'd LLLL yyyy',
  'LLL d yyyy',
  'LLLL d yyyy',
];

/** Without its year a day is the last one of that name: what is looked for has been. */
const WITHOUT_YEAR = ['d LLL', 'd LLLL', 'LLL d', 'LLLL d', 'd.M.'];

/** A day as people write it, ISO; null where it is none. */
export function dayOf(text: string, now: DateTime): string | null {
  const plain = text.trim().replace(/,/g, '').replace(/\s+/g, ' ');
  for (const form of FORMS) {
    const day = DateTime.fromFormat(plain, form, { locale: 'en' });
    if (day.isValid && day.year >= 1950 && day.year <= 2200) return day.toISODate();
  }
  for (const form of WITHOUT_YEAR)
    for (const year of [now.year, now.year - 1]) {
      const day = DateTime.fromFormat(`${plain} ${String(year)}`, `${form} yyyy`, {
        locale: 'en',
        zone: now.zone,
      });
      if (day.isValid && day <= now) return day.toISODate();
    }
  return null;
}

/** From when to when a day lasts in a zone. */
export function hoursOf(day: string, zone: string): { readonly begin: Date; readonly end: Date } {
  const begin = inZone(day, zone).startOf('day');
  return { begin: begin.toJSDate(), end: begin.plus({ days: 1 }).toJSDate() };
}
