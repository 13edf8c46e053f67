import type { Problem } from '@yard-spool/contract';

/** What of a schema is looked at: how many entries its lists may have, and what lies within. */
interface Schema {
  readonly type: string;
  readonly pipe?: readonly {
    readonly type: string;
    readonly requirement?: unknown;
    readonly message?: unknown;
  }[];
  readonly item?: Schema;
  readonly entries?: Readonly<Record<string, Schema>>;
  readonly wrapped?: Schema;
  readonly value?: Schema;
  readonly options?: readonly Schema[];
}

type TooMuch = NonNullable<Problem['errors']>[number];

/** A list that says nothing of its own has no more entries than this. */
const MOST = 1000;

/**
 * The first list in what was sent that has more entries than its schema allows, before anything is read: each entry of a
 * list that is too long would be looked at, and what is wrong with it told, before its length is.
 *
 * @param schema a schema of the contract
 * @param value what was sent, of whatever form
 * @param where what the part is called where it has no path
 */
export function firstTooLong(schema: unknown, value: unknown, where: string): TooMuch | null {
  return boundIn(schema as Schema, value, [], where);
}

function boundIn(given: Schema, value: unknown, path: readonly string[], where: string): TooMuch | null {
  if (value === null || typeof value !== 'object') return null;
  const schema = unwrapped(given);
  // A union's entries are too many only where each of its choices says so.
  if (schema.options) return withinEach(schema.options, value, path, where);
  if (Array.isArray(value)) return schema.item ? inList(schema, schema.item, value, path, where) : null;
  if (schema.entries) return inEntries(schema.entries, value, path, where);
  return schema.value ? inRecord(schema.value, value, path, where) : null;
}

/** What a schema that may be left out is of. */
const unwrapped = (schema: Schema): Schema => (schema.wrapped ? unwrapped(schema.wrapped) : schema);

function inEntries(
  entries: Readonly<Record<string, Schema>>,
  value: object,
  path: readonly string[],
  where: string,
): TooMuch | null {
  for (const [key, one] of Object.entries(entries)) {
    const found = boundIn(one, (value as Readonly<Record<string, unknown>>)[key], [...path, key], where);
    if (found) return found;
  }
  return null;
}

function inList(
  schema: Schema,
  item: Schema,
  value: readonly unknown[],
  path: readonly string[],
  where: string,
): TooMuch | null {
  const bound = schema.pipe?.find(({ type }) => type === 'max_length');
  const most = typeof bound?.requirement === 'number' ? bound.requirement : MOST;
  if (value.length > most) return tooLong(path, where, most, bound?.message);
  for (const [i, one] of value.entries()) {
    const found = boundIn(item, one, [...path, String(i)], where);
    if (found) return found;
  }
  return null;
}

function inRecord(of: Schema, value: object, path: readonly string[], where: string): TooMuch | null {
  const entries = Object.entries(value);
  if (entries.length > MOST) return tooLong(path, where, MOST, undefined);
  for (const [key, one] of entries) {
    const found = boundIn(of, one, [...path, key], where);
    if (found) return found;
  }
  return null;
}

function withinEach(
  options: readonly Schema[],
  value: object,
  path: readonly string[],
  where: string,
): TooMuch | null {
  let first: TooMuch | null = null;
  for (const option of options) {
    const found = boundIn(option, value, path, where);
    if (!found) return null;
    first ??= found;
  }
  return first;
}

const tooLong = (path: readonly string[], where: string, most: number, message: unknown): TooMuch => ({
  path: path.join('.') || where,
  message: typeof message === 'string' ? message : `There are more than ${String(most)} of these.`,
});
