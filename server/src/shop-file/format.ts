import * as v from 'valibot';

/** What a shop's file is called by its first line. */
export const FORMAT = 'yard-spool-shop';
export const FORMAT_VERSION = 1;

const Cell = v.nullable(v.string());

/** The first line: what it is, and which schema its rows are of. */
export const HeaderSchema = v.object({
  format: v.literal(FORMAT),
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  schema: v.pipe(v.string(), v.regex(/^\d{4}-[a-z-]{1,60}$/)),
  at: v.string(),
});
export type Header = v.InferOutput<typeof HeaderSchema>;

/** A table and its columns; its rows follow, each a list of texts as the database writes them. */
export const TableSchema = v.object({
  table: v.pipe(v.string(), v.regex(/^[a-z_]{1,60}$/)),
  columns: v.pipe(v.array(v.pipe(v.string(), v.regex(/^[a-z0-9_]{1,60}$/))), v.minLength(1)),
});
export const RowSchema = v.pipe(v.array(Cell), v.minLength(1));

/** The last line: how many rows there are of each table, and the SHA-256 of every line before. */
export const EndSchema = v.object({
  end: v.literal(true),
  rows: v.record(v.string(), v.pipe(v.number(), v.integer(), v.minValue(0))),
  sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
});

/** Something is wrong with a shop's file; one sentence that says what. Nothing was touched. */
export class ShopFileError extends Error {}
