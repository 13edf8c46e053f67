import { REEL_TYPES } from '@yard-spool/core';
import * as v from 'valibot';
import { NO_WANTS, WantsSchema } from './bags';
import { InstantSchema } from './basics';
import { CutsSchema } from './cuts';
import { PlanInputSchema } from './plan';

/** Reels of a bag that is being booked in, as far as they are typed. */
export const PromiseAskedSchema = v.object({
  jobs: v.pipe(
    v.array(
      v.object({
        type: v.picklist(REEL_TYPES),
        planInput: PlanInputSchema,
        cuts: CutsSchema,
        wants: v.optional(WantsSchema, NO_WANTS),
      }),
    ),
    v.minLength(1, 'A bag has at least one reel.'),
    v.maxLength(20),
  ),
  /** When it is to be promised for; where that is too early, what would make it possible is looked for. */
  promisedAt: v.optional(v.nullable(InstantSchema), null),
});
export type PromiseAsked = v.InferOutput<typeof PromiseAskedSchema>;

/** The earliest promise that holds nine times in ten; null where some line is not in stock, or nobody is there. */
export const EarliestPromiseSchema = v.object({
  at: v.nullable(InstantSchema),
  /** What would make it earlier, the most first; empty where what is to be promised holds, or nothing would. */
  cures: v.array(
    v.object({
      kind: v.picklist(['dry', 'line', 'hands']),
      at: InstantSchema,
      /** The piece that is taken instead; empty where the cure is another. */
      code: v.string(),
      name: v.string(),
    }),
  ),
});
export type EarliestPromise = v.InferOutput<typeof EarliestPromiseSchema>;
