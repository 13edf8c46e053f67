import { STREAMS } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, GramsSchema, IdSchema, InstantSchema, MillimetresSchema, text } from './basics';

const tubes = v.pipe(
  v.number(),
  v.integer('Tubes are whole.'),
  v.minValue(0, 'There cannot be less than no tube.'),
  v.maxValue(500, 'That is more tubes than a bin holds.'),
);

/** Old line into a bin: stripped off a reel, or the rest of a piece. */
export const NewRecyclingSchema = v.object({
  stream: v.picklist(STREAMS, 'Say which bin it goes to.'),
  grams: v.nullable(GramsSchema),
  tubes,
  why: v.optional(text('A note', 120), ''),
  /** The piece it comes off, which gives up all that is left of it. */
  piece: v.nullable(CodeSchema),
});
export type NewRecycling = v.InferOutput<typeof NewRecyclingSchema>;

export const RecyclingSchema = v.object({
  id: IdSchema,
  stream: v.picklist(STREAMS),
  grams: v.number(),
  /** Whether the weight was worked out from length and diameter instead of read off a scale. */
  estimated: v.boolean(),
  tubes: v.number(),
  lengthMm: v.nullable(MillimetresSchema),
  why: v.string(),
  at: InstantSchema,
  by: v.string(),
});

export const RecyclingBookSchema = v.object({
  totals: v.array(v.object({ stream: v.picklist(STREAMS), grams: v.number(), tubes: v.number() })),
  /** The latest, newest first. */
  entries: v.array(RecyclingSchema),
});
export type RecyclingBook = v.InferOutput<typeof RecyclingBookSchema>;
