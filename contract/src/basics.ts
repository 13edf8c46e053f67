import * as v from 'valibot';

const sized = (what: string, max: number) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, `${what} is needed.`),
    v.maxLength(max, `${what} can be ${String(max)} characters at most.`),
  );

/** Text a person types in one line. */
export const line = (what: string, max = 80) => sized(what, max);

/** Text that may be left empty. */
export const text = (what: string, max: number) =>
  v.pipe(v.string(), v.trim(), v.maxLength(max, `${what} can be ${String(max)} characters at most.`));

export const IdSchema = v.pipe(v.number(), v.integer(), v.minValue(1));
export const IdTextSchema = v.pipe(v.string(), v.digits(), v.transform(Number), v.minValue(1));
export const UuidSchema = v.pipe(v.string(), v.uuid());
/** UTC, ISO 8601 with milliseconds. */
export const InstantSchema = v.pipe(
  v.string(),
  v.isoTimestamp('A time must be written in ISO 8601 with its zone.'),
);
/** Lengths of line at rest are whole millimetres, so that sums are exact. */
export const MillimetresSchema = v.pipe(v.number(), v.integer(), v.safeInteger());
/** A day in the shop's calendar, ISO 8601. */
export const DaySchema = v.pipe(v.string(), v.isoDate('A day is written like 2031-04-25.'));
/** Counts the changes of a row that people edit; a change names the one it was made on. */
export const VersionSchema = v.pipe(v.number(), v.integer(), v.minValue(1));
export const NothingSchema = v.object({});

/** A weight on the bench scale, g. */
export const GramsSchema = v.pipe(
  v.number(),
  v.minValue(0, 'A weight cannot be less than zero.'),
  v.maxValue(50_000, 'A weight is at most 50 kg.'),
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
