import * as v from 'valibot';

/** A row of a list that does not fit what is promised: its key, and the field that does not. Never what stands in it. */
export interface UnfitRow {
  readonly key: string;
  readonly field: string;
}

interface Listing {
  readonly type: string;
  readonly item?: v.GenericSchema;
  readonly entries?: Readonly<Record<string, Listing>>;
}

/** What a row is called by, where it has one of these. */
const KEYS = ['code', 'tag', 'number', 'id', 'key'] as const;

/**
 * A list, or a page of one, without the rows that do not fit its schema: one row takes no list with it.
 *
 * @returns null where it is no list, or does not fit even so
 */
export function withoutUnfit<S extends v.GenericSchema>(
  schema: S,
  made: unknown,
): { readonly reply: v.InferOutput<S>; readonly unfit: UnfitRow[] } | null {
  const listing = schema as unknown as Listing;
  const pageItem = listing.entries?.rows?.item;
  const item = listing.item ?? pageItem;
  const rows: unknown = listing.item ? made : (made as { readonly rows?: unknown } | null)?.rows;
  if (!item || !Array.isArray(rows)) return null;
  const unfit: UnfitRow[] = [];
  const fits = rows.filter((row: unknown) => {
    const read = v.safeParse(item, row);
    if (!read.success) unfit.push({ key: keyOf(row), field: v.getDotPath(read.issues[0]) ?? '' });
    return read.success;
  });
  const reply = v.safeParse(schema, listing.item ? fits : { ...(made as object), rows: fits });
  return reply.success && unfit.length > 0 ? { reply: reply.output, unfit } : null;
}

function keyOf(row: unknown): string {
  const held = (row ?? {}) as Readonly<Record<string, unknown>>;
  const name = KEYS.find((one) => typeof held[one] === 'string' || typeof held[one] === 'number');
  return name === undefined ? '' : `${name} ${String(held[name])}`;
}
