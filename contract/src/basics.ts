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
export const NothingSchema = v.object({});

/** A code people can say: letters, digits and dashes, upper case. */
export const CodeSchema = v.pipe(
  v.string(),
  v.trim(),
  v.toUpperCase(),
  v.regex(/^[A-Z0-9][A-Z0-9-]{1,19}$/, 'A code is 2 to 20 letters, digits and dashes, like N-207.'),
);
/** #rrggbb */
export const TintSchema = v.pipe(v.string(), v.hexColor());
