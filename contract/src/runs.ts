import { HOUSE_QUESTIONS, OVERRIDE_SCOPES, type RunEvent } from '@yard-spool/core';
import * as v from 'valibot';
import { IdSchema, InstantSchema, line, MillimetresSchema, UuidSchema } from './basics';
import { HouseRulesSchema } from './house-rules';
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

/** What a run is made under, as it held when it began: later changes leave it alone. */
export const RunRulesSchema = v.object({
  rules: HouseRulesSchema,
  /** Where each rule that is not the house's comes from. */
  from: v.partial(
    v.object(
      Object.fromEntries(Object.keys(HOUSE_QUESTIONS).map((name) => [name, v.picklist(OVERRIDE_SCOPES)])),
    ),
  ),
  tailMm: MillimetresSchema,
  spanMm: v.number(),
  hand: v.picklist(['right', 'left']),
});
export type RunRules = v.InferOutput<typeof RunRulesSchema>;

export const NewRunSchema = v.object({ jobId: IdSchema, bench: line('A bench', 20) });

export const RunSchema = v.object({
  id: IdSchema,
  bench: v.string(),
  state: v.picklist(['open', 'closed']),
  bagNumber: IdSchema,
  customer: v.string(),
  reelsInBag: v.number(),
  job: JobSchema,
  under: RunRulesSchema,
  events: v.array(RunEventSchema),
});
export type Run = v.InferOutput<typeof RunSchema>;
