import { MATERIALS, STOCK_FIELDS, type StockReading } from '@yard-spool/core';
import * as v from 'valibot';
import { FileBytesSchema, RowErrorSchema } from './rack-files';
import { sameAs } from './same';

/** The most rows a stock list may have: it is read in one go with all that lies on the rack. */
export const MOST_STOCK_ROWS = 5000;

const ColumnSchema = v.object({
  field: v.nullable(v.picklist(STOCK_FIELDS)),
  unit: v.nullable(v.pipe(v.string(), v.maxLength(8))),
});

/** How a list is read; answered as it was read, and asked as somebody says it is to be read. */
export const StockReadingSchema = sameAs<StockReading>()(
  v.object({
    columns: v.pipe(v.array(ColumnSchema), v.maxLength(60, 'A list has 60 columns at most.')),
    comma: v.boolean(),
    material: v.nullable(v.picklist(MATERIALS)),
    place: v.pipe(v.string(), v.maxLength(40, 'A place has 40 characters at most.')),
  }),
);

/** A shop's own stock list, CSV or a spreadsheet, as its bytes. */
export const StockListSchema = v.object({
  name: v.pipe(v.string(), v.maxLength(200)),
  base64: FileBytesSchema,
  /** As somebody says; null reads it by its headings. */
  reading: v.nullable(StockReadingSchema),
  /** True only looks; false takes it in, if every row is right. */
  preview: v.boolean(),
});

export const StockListFoundSchema = v.object({
  /** The headings, and the first rows beneath them. */
  heads: v.array(v.string()),
  first: v.array(v.array(v.string())),
  reading: StockReadingSchema,
  rows: v.number(),
  /** Lines that are new to the rack, and pieces. */
  lines: v.number(),
  pieces: v.number(),
  /** The first pieces as they will be on the rack. */
  sample: v.array(
    v.object({
      row: v.number(),
      code: v.string(),
      line: v.string(),
      receivedM: v.string(),
      leftM: v.string(),
      place: v.string(),
    }),
  ),
  /** The first of what is wrong; rows as a spreadsheet counts them, 0 for the whole list. */
  errors: v.array(RowErrorSchema),
  wrongRows: v.number(),
  taken: v.boolean(),
});
export type StockListFound = v.InferOutput<typeof StockListFoundSchema>;
