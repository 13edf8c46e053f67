import * as v from 'valibot';
import { DaySchema, IdSchema, InstantSchema, MillimetresSchema } from './basics';
import { ProductSchema } from './products';

const count = v.pipe(
  v.number(),
  v.integer('How many are a whole number.'),
  v.minValue(1, 'At least one is ordered.'),
  v.maxValue(200, 'At most 200 of one size are ordered at once.'),
);
const lengthMm = v.pipe(
  MillimetresSchema,
  v.minValue(1000, 'A pack holds at least a metre.'),
  v.maxValue(100_000_000, 'A pack holds at most 100 km.'),
);
const minor = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000_000)));

/** Packs of one size of one line that are ordered, and the day they should be here. */
export const NewLineOrderSchema = v.object({
  productId: IdSchema,
  lengthMm,
  count,
  minor,
  expectedOn: DaySchema,
});

/** Line that is on order. */
export const LineOrderSchema = v.object({
  id: IdSchema,
  product: ProductSchema,
  lengthMm: MillimetresSchema,
  count: v.number(),
  minor: v.nullable(v.number()),
  /** Until the end of that day. */
  expectedAt: InstantSchema,
  at: InstantSchema,
  by: v.string(),
});
export type LineOrder = v.InferOutput<typeof LineOrderSchema>;

export const LineOrderDoneSchema = v.object({ how: v.picklist(['come', 'cancelled']) });
