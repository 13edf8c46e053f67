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
});
export type PromiseAsked = v.InferOutput<typeof PromiseAskedSchema>;

/** The earliest promise that holds nine times in ten; null where some line is not in stock, or nobody is there. */
export const EarliestPromiseSchema = v.object({
  at: v.nullable(InstantSchema),
  /** The same without soaking its line; null where that is not earlier. */
  dryAt: v.nullable(InstantSchema),
});
export type EarliestPromise = v.InferOutput<typeof EarliestPromiseSchema>;
