import * as v from 'valibot';
import { BeliefSchema, KnownCounterSchema } from './plan';

/** One thing learned from closed fills: what is believed of it now, and how many fills that rests on. */
export const LearnedSchema = v.object({ key: v.string(), belief: BeliefSchema, fills: v.number() });

/** A counter by its reel's tag, or by its kind. */
const LearnedCounterSchema = v.object({ key: v.string(), counter: KnownCounterSchema });

/** What the shop has learned: packing by kind of reel and by who wound it how tight, bulk by line, prints. */
export const LearningSchema = v.object({
  kinds: v.array(LearnedSchema),
  lines: v.array(LearnedSchema),
  hands: v.array(LearnedSchema),
  prints: v.array(LearnedSchema),
  counters: v.object({ reels: v.array(LearnedCounterSchema), kinds: v.array(LearnedCounterSchema) }),
});
export type Learning = v.InferOutput<typeof LearningSchema>;
