import { DateTime } from 'luxon';
import { inZone } from '../house-rules/shop-day';

const FORMS = [
  'yyyy-MM-dd',
  'd.M.yyyy',
  'd/M/yyyy',
  'd LLL yyyy',
  'd LLLL yyyy',
  'LLL d yyyy',
  'LLLL d yyyy',
];

/** A day as people write it, ISO; null where it is none. */
export function dayOf(text: string): string | null {
  const plain = text.trim().replace(/,/g, '').replace(/\s+/g, ' ');
  for (const form of FORMS) {
    const day = DateTime.fromFormat(plain, form, { locale: 'en' });
    if (day.isValid && day.year >= 1950 && day.year <= 2200) return day.toISODate();
  }
  return null;
}

/** From when to when a day lasts in a zone. */
export function hoursOf(day: string, zone: string): { readonly begin: Date; readonly end: Date } {
  const begin = inZone(day, zone).startOf('day');
  return { begin: begin.toJSDate(), end: begin.plus({ days: 1 }).toJSDate() };
}
