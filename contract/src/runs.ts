import type { RunEvent } from '@yard-spool/core';
import * as v from 'valibot';
import { IdSchema, InstantSchema, line, UuidSchema } from './basics';
import { JobSchema } from './bags';

const finite = v.pipe(v.number(), v.finite());
const id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
/** More handle turns than any fill takes, to catch a slip of the finger. */
const turns = v.pipe(finite, v.minValue(-20_000), v.maxValue(20_000));

const shared = { id: UuidSchema, run: v.string(), seq: IdSchema, at: InstantSchema, by: v.string() };

export const RunEventSchema: v.GenericSchema<RunEvent> = v.variant('kind', [
  v.object({ ...shared, kind: v.literal('started'), payload: v.object({ bench: line('A bench', 20) }) }),
  v.object({ ...shared, kind: v.literal('step-done'), payload: v.object({ step: id }) }),
  v.object({ ...shared, kind: v.literal('turns'), payload: v.object({ layer: id, turns }) }),
  v.object({
    ...shared,
    kind: v.literal('count-set'),
    payload: v.object({ layer: id, turns: v.pipe(turns, v.minValue(0, 'A count is nought or more.')) }),
  }),
  v.object({
    ...shared,
    kind: v.literal('depth-read'),
    payload: v.object({
      after: id,
      depth: v.pipe(finite, v.minValue(-3), v.maxValue(80)),
      by: v.picklist(['calliper', 'eye']),
    }),
  }),
  v.object({ ...shared, kind: v.literal('undone'), payload: v.object({ event: UuidSchema }) }),
  v.object({ ...shared, kind: v.literal('closed'), payload: v.object({}) }),
]);

/** What a bench sends; the server says who it was. */
export const AppendEventsSchema = v.object({
  events: v.pipe(v.array(RunEventSchema), v.minLength(1), v.maxLength(500)),
});

export const NewRunSchema = v.object({ jobId: IdSchema, bench: line('A bench', 20) });

export const RunSchema = v.object({
  id: IdSchema,
  bench: v.string(),
  state: v.picklist(['open', 'closed']),
  bagNumber: IdSchema,
  customer: v.string(),
  reelsInBag: v.number(),
  job: JobSchema,
  events: v.array(RunEventSchema),
});
export type Run = v.InferOutput<typeof RunSchema>;
