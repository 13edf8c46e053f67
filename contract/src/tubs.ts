import * as v from 'valibot';
import { WordsSchema } from './words';
import { CodeSchema, IdSchema, InstantSchema, line } from './basics';

export const NewTubSchema = v.object({ name: line('A name', 40) });

export const SoakPieceSchema = v.object({ code: CodeSchema });

/** A share of what a strand can take up, with the range the figures leave. */
const UptakeSchema = v.object({ share: v.number(), low: v.number(), high: v.number() });

/** One piece in the water. */
export const SoakSchema = v.object({
  id: IdSchema,
  code: v.string(),
  productName: v.string(),
  diameter: v.number(),
  tint: v.string(),
  inAt: InstantSchema,
  by: v.string(),
  readyAt: InstantSchema,
  tooLongAt: InstantSchema,
  /** What the house does and why, as it held when the piece went in. */
  advice: WordsSchema,
  why: v.string(),
  /** Taken up by now, by one strand. */
  uptake: UptakeSchema,
});
export type Soak = v.InferOutput<typeof SoakSchema>;

export const TubSchema = v.object({ id: IdSchema, name: v.string(), soaks: v.array(SoakSchema) });
export type Tub = v.InferOutput<typeof TubSchema>;
