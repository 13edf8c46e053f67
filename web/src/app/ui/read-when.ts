import { DateTime } from 'luxon';

/** How a day is told and typed here, and a moment: 27 Nov 2031, 16:00. */
export const DAY_FORM = 'd LLL yyyy';
export const MOMENT_FORM = 'd LLL yyyy, H:mm';

/** Stands before what was typed and could not be read. */
export const UNREAD = '?';

/** Which of two numbers is the day; with dots between them it is the first everywhere. */
export type DayOrder = 'day-first' | 'month-first';
/** Days as people type them; those without a year mean the nearest one. */
const WITH_YEAR = [
  'd LLL yyyy',
  'd LLLL yyyy',
  'LLL d yyyy',
  'LLLL d yyyy',
  'd.M.yyyy',
  'yyyy-MM-dd',
  'd.M.yy',
];
const WITHOUT_YEAR = ['d LLL', 'd LLLL', 'LLL d', 'LLLL d', 'd.M.', 'd.M'];
const NUMBERS: Readonly<
  Record<DayOrder, { readonly year: readonly string[]; readonly none: readonly string[] }>
> = {
  'day-first': { year: ['d/M/yyyy', 'd-M-yyyy', 'd/M/yy'], none: ['d/M'] },
  'month-first': { year: ['M/d/yyyy', 'M-d-yyyy', 'M/d/yy'], none: ['M/d'] },
};
const WORDS: Readonly<Record<string, number>> = { yesterday: -1, today: 0, tomorrow: 1 };
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
const LONG_WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
/** A day that says its weekday too: which it is, the date says. */
const NAMED = /^(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?\.?,? (?=\d)/i;
/** A day without its year further back than this is meant to come. */
const BACK_MONTHS = 3;
const CLOCK = /^(?:(.*?)[\s,]+)?(?:at\s+)?(\d{1,2})(?:[:.](\d{2}))?\s*(am|pm)?$/i;

/**
 * A day as it is typed: 27 Nov 2031, 27.11., 2031-11-27, fri, tomorrow. In the zone of `now`, at the beginning of the day.
 *
 * @param order of a day and a month that are both numbers
 * @returns null where it is none
 */
export function readDay(typed: string, now: DateTime, order: DayOrder = 'day-first'): DateTime | null {
  const text = typed
    .trim()
    .replaceAll(/\s+/g, ' ')
    .replace(/,$/, '')
    .replace(/(\d)(?:st|nd|rd|th)\b/i, '$1');
  const word = text.toLowerCase();
  const today = now.startOf('day');
  const days = WORDS[word];
  if (days !== undefined) return today.plus({ days });
  const weekday = [WEEKDAYS, LONG_WEEKDAYS]
    .map((names) => names.findIndex((name) => name === word))
    .find((at) => at >= 0);
  // The next of its name; today's own name is today.
  if (weekday !== undefined) return today.plus({ days: (weekday + 8 - today.weekday) % 7 });
  const named = text.replace(NAMED, '').replace(/^(\d+ [a-z]+),/i, '$1');
  const zone = { zone: now.zone, locale: 'en' };
  for (const form of [...WITH_YEAR, ...NUMBERS[order].year]) {
    const day = DateTime.fromFormat(named, form, zone);
    if (day.isValid) return day;
  }
  for (const form of [...WITHOUT_YEAR, ...NUMBERS[order].none]) {
    const day = DateTime.fromFormat(`${named} ${String(now.year)}`, `${form} yyyy`, zone);
    if (day.isValid) return day < today.minus({ months: BACK_MONTHS }) ? day.plus({ years: 1 }) : day;
  }
  return null;
}

/**
 * A moment as it is typed: a day with a time, or a time alone, which is today's. A day alone is at the usual hour.
 *
 * @param usualHour of the day, where none is typed
 * @returns null where it is none
 */
export function readMoment(
  typed: string,
  now: DateTime,
  usualHour: number,
  order: DayOrder = 'day-first',
): DateTime | null {
  const iso = /^\d{4}-\d\d-\d\dT/.test(typed.trim())
    ? DateTime.fromISO(typed.trim(), { zone: now.zone })
    : null;
  if (iso?.isValid) return iso;
  const later = fromNow(typed, now);
  if (later) return later;
  const day = readDay(typed, now, order);
  if (day) return day.set({ hour: usualHour });
  const clock = CLOCK.exec(typed.trim().replace(/\b(at )?(noon|midday)$/i, '12:00'));
  if (!clock) return null;
  const [, before, hours, minutes, half] = clock;
  const on = before === undefined ? now.startOf('day') : readDay(before, now, order);
  const hour = hourOf(Number(hours), half?.toLowerCase());
  const minute = Number(minutes ?? 0);
  return on && hour !== null && minute < 60 ? on.set({ hour, minute }) : null;
}

/** So long from now: `in two hours`, `2h`, `90 min`, `in a week`. Moments are told to five minutes. */
const FROM_NOW =
  /^(?:in |within )?(\d+(?:[.,]\d+)?|an?|one|two|three|four|five|six|half an) ?(h|hrs?|hours?|mins?|minutes?|days?|weeks?)$/;
const MANY: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  'half an': 0.5,
};
const MINUTES: Readonly<Record<string, number>> = { h: 60, m: 1, d: 1440, w: 10_080 };
const TO_MINUTES = 5;

function fromNow(typed: string, now: DateTime): DateTime | null {
  const [, many = '', unit = ''] = FROM_NOW.exec(typed.trim().toLowerCase().replace(/\s+/g, ' ')) ?? [];
  const per = MINUTES[unit.charAt(0)];
  if (per === undefined) return null;
  const minutes = (MANY[many] ?? Number(many.replace(',', '.'))) * per;
  const at = now.plus({ minutes });
  return at.startOf('minute').plus({ minutes: (TO_MINUTES - (at.minute % TO_MINUTES)) % TO_MINUTES });
}

function hourOf(hour: number, half: string | undefined): number | null {
  if (half === undefined) return hour < 24 ? hour : null;
  if (hour < 1 || hour > 12) return null;
  return (hour % 12) + (half === 'pm' ? 12 : 0);
}
