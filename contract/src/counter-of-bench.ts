import * as v from 'valibot';
import { InstantSchema } from './basics';
import { DeviceSchema } from './benches';

/** The counter of a run's bench. */
export const CounterAtBenchSchema = v.object({
  device: DeviceSchema,
  /** Taken: it counts for another reel that stands at the bench. */
  link: v.picklist(['up', 'silent', 'away', 'taken']),
  /** Whether it sends more lines than are read of it. */
  flooding: v.exactOptional(v.boolean()),
  /** Counts as they stand; null before the first line. */
  count: v.nullable(v.number()),
  /** When it was last heard; null where it never was. */
  heardAt: v.nullable(InstantSchema),
  /** Counts it went on by that were not credited yet: held meanwhile, or away. */
  unclaimed: v.number(),
  /** Why they are asked about although nothing is held. */
  odd: v.nullable(v.picklist(['restarted', 'jumped', 'unheard'])),
  /** Where it stood right behind its last jump: what it counts from there on can have been wound; left out without one. */
  since: v.exactOptional(v.number()),
  /** How far the log was when that was asked about first. */
  from: v.exactOptional(v.number()),
  /** The line meter beside it, which tells the radius being wound at; null where there is none. */
  meter: v.nullable(v.object({ device: DeviceSchema, link: v.picklist(['up', 'silent', 'away']) })),
});
export type CounterAtBench = v.InferOutput<typeof CounterAtBenchSchema>;
