import { MATERIALS } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, DaySchema, IdSchema, InstantSchema, text } from './basics';
import { REEL_TYPES } from '@yard-spool/core';
import { DrawingSchema } from './drawing';
import { afterOf } from './pages';

export const SearchQuerySchema = v.object({ q: text('What is looked for', 80) });

const reel = { tag: v.string(), label: v.string(), customer: v.string() };

/** What was found, kind by kind, each with what tells it from others. */
export const SearchHitSchema = v.variant('kind', [
  v.object({
    kind: v.literal('reel'),
    ...reel,
    type: v.picklist(REEL_TYPES),
    filledAt: v.nullable(InstantSchema),
    drawing: v.nullable(DrawingSchema),
    /** A tag it had before, where that was found. */
    was: v.string(),
  }),
  v.object({
    kind: v.literal('customer'),
    id: IdSchema,
    name: v.string(),
    contact: v.string(),
    reels: v.number(),
  }),
  v.object({
    kind: v.literal('line'),
    code: v.string(),
    name: v.string(),
    tint: v.string(),
    material: v.picklist(MATERIALS),
  }),
  v.object({ kind: v.literal('lot'), lot: v.string(), name: v.string(), pieces: v.number() }),
  v.object({
    kind: v.literal('piece'),
    code: v.string(),
    name: v.string(),
    lot: v.string(),
    lengthMm: v.number(),
    writtenOff: v.boolean(),
  }),
  v.object({
    kind: v.literal('bag'),
    number: IdSchema,
    customer: v.string(),
    promisedAt: InstantSchema,
    notes: v.string(),
  }),
  v.object({ kind: v.literal('note'), ...reel, fillId: IdSchema, at: InstantSchema, words: v.string() }),
  v.object({ kind: v.literal('day'), day: DaySchema, fills: v.number() }),
]);
export type SearchHit = v.InferOutput<typeof SearchHitSchema>;

export const FoundSchema = v.object({
  hits: v.array(SearchHitSchema),
  /** Kinds of which there is more than is shown. */
  more: v.array(v.string()),
  /** What was looked for in place of what was typed, where nothing is called that; null where it is as typed. */
  meant: v.nullable(v.string()),
});
export type Found = v.InferOutput<typeof FoundSchema>;

/** Which reels got it: a line, a lot, a piece, or were filled on a day. */
export const GotQuerySchema = v.object({
  line: v.optional(v.union([v.literal(''), CodeSchema]), ''),
  lot: v.optional(text('A lot', 40), ''),
  piece: v.optional(v.union([v.literal(''), CodeSchema]), ''),
  day: v.optional(v.union([v.literal(''), DaySchema]), ''),
  after: afterOf(/^\d{0,12}$/),
});
export type GotQuery = v.InferOutput<typeof GotQuerySchema>;
export const GotRowSchema = v.object({
  ...reel,
  customerId: IdSchema,
  fillId: IdSchema,
  filledAt: InstantSchema,
  role: v.string(),
  name: v.string(),
  piece: v.nullable(v.string()),
  lot: v.string(),
  lengthMm: v.number(),
  /** Whether it lies there still. */
  still: v.boolean(),
});
export type GotRow = v.InferOutput<typeof GotRowSchema>;
