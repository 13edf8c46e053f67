import * as v from 'valibot';

/** One page of a list, and where the next begins; null behind the last. */
export const pageOf = <const S extends v.GenericSchema>(row: S) =>
  v.object({ rows: v.array(row), next: v.nullable(v.string()) });

export interface Page<T> {
  readonly rows: T[];
  readonly next: string | null;
}

/** Where a page begins: what the page before said, of the form its list uses. */
export const afterOf = (form: RegExp) =>
  v.optional(v.pipe(v.string(), v.maxLength(80), v.regex(form, 'There is no such page.')), '');

/** The header that says how many rows of a list could not be told and were left out. */
export const UNREAD_HEADER = 'x-unread-rows';
