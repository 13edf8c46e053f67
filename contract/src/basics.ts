import * as v from 'valibot';
import { oneLine, someLines } from './hidden';
import { limit } from './words';

const sized = (what: string, max: number) =>
  v.pipe(
    v.string(),
    v.transform(oneLine),
    v.minLength(1, `${what} is needed.`),
    v.maxLength(max, `${what} can be ${String(max)} characters at most.`),
  );

/** Text a person types in one line. */
export const line = (what: string, max = 80) => sized(what, max);

const upTo = (what: string, max: number, clean: (typed: string) => string) =>
  v.pipe(
    v.string(),
    v.transform(clean),
    v.maxLength(max, `${what} can be ${String(max)} characters at most.`),
  );

/** One line that may be left empty. */
export const maybeLine = (what: string, max: number) => upTo(what, max, oneLine);

/** Text that may be left empty. */
export const text = (what: string, max: number) => upTo(what, max, someLines);

/** More than any shop ever numbers, and still a number every part of the way can carry. */
const MOST_ID = 999_999_999_999;
export const IdSchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_ID));
export const IdTextSchema = v.pipe(
  v.string(),
  v.regex(/^\d{1,12}$/, 'A number is 1 to 12 digits.'),
  v.transform(Number),
  v.minValue(1),
);

/** A figure no part of the trade goes beyond in its own unit; what exactly it can be is said where it is used. */
export const FigureSchema = v.pipe(v.number(), v.finite(), v.minValue(-1e6), v.maxValue(1e6));

/** What names an entry among others: never a name that every object has already. */
export const KeySchema = v.pipe(
  v.string(),
  v.minLength(1),
  v.maxLength(40),
  v.check((key) => !(key in Object.prototype), 'This cannot be used as a name here.'),
);
export const UuidSchema = v.pipe(v.string(), v.uuid());
/** Days a shop can mean. */
const YEARS = [1950, 2200] as const;

/** Whether an instant exists as it is written: no 30 February, no 25 o'clock, no year nobody means. */
function isInstant(written: string): boolean {
  const [year = 0, month = 0, day = 0] = written.slice(0, 10).split('-').map(Number);
  const there = new Date(Date.UTC(year, month - 1, day));
  return (
    year >= YEARS[0] &&
    year <= YEARS[1] &&
    there.getUTCMonth() === month - 1 &&
    there.getUTCDate() === day &&
    Number.isFinite(Date.parse(written))
  );
}

/** UTC, ISO 8601 with milliseconds. */
export const InstantSchema = v.pipe(
  v.string(),
  v.isoTimestamp('A time must be written in ISO 8601 with its zone.'),
  v.check((text) => isInstant(text), 'There is no such day or time.'),
);
/** Lengths of line at rest are whole millimetres, so that sums are exact. */
export const MillimetresSchema = v.pipe(v.number(), v.integer(), v.minValue(-1e12), v.maxValue(1e12));
/** A day in the shop's calendar, ISO 8601. */
export const DaySchema = v.pipe(
  v.string(),
  v.isoDate('A day is written like 2031-04-25.'),
  v.check((day) => isInstant(`${day}T00:00:00.000Z`), 'There is no such day.'),
);
/** Counts the changes of a row that people edit; a change names the one it was made on. */
export const VersionSchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_ID));
export const NothingSchema = v.object({});

/** A weight on the bench scale, g. */
export const GramsSchema = v.pipe(
  v.number(),
  v.minValue(0, 'A weight cannot be less than zero.'),
  v.maxValue(50_000, limit('limit.weight-at-most', { most: { g: 50_000 } })),
);

export const CODE_PATTERN = /^[A-Z0-9][A-Z0-9-]{1,19}$/;
/** A code people can say: letters, digits and dashes, upper case. */
export const CodeSchema = v.pipe(
  v.string(),
  v.trim(),
  v.toUpperCase(),
  v.regex(CODE_PATTERN, 'A code is 2 to 20 letters, digits and dashes, like N-207.'),
);
/** #rrggbb */
export const TintSchema = v.pipe(v.string(), v.hexColor());
