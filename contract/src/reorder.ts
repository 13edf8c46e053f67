import * as v from 'valibot';
import { MillimetresSchema } from './basics';
import { ProductSchema } from './products';

/** What one size a line was bought in cost. */
export const PackSizeSchema = v.object({
  lengthMm: MillimetresSchema,
  /** Hundredths of the shop's money for a metre. */
  minorPerMetre: v.number(),
});

/** One line of the list of what to order. */
export const ReorderLineSchema = v.object({
  product: ProductSchema,
  /** Wound off in the weeks looked at, tails and recycled rests included. */
  usedMm: MillimetresSchema,
  leftMm: MillimetresSchema,
  promisedMm: MillimetresSchema,
  /** Days until it is gone at that use; null where it was not used. */
  daysLeft: v.nullable(v.number()),
  /** Cheapest metre first. */
  sizes: v.array(PackSizeSchema),
});
export type ReorderLine = v.InferOutput<typeof ReorderLineSchema>;

export const ReorderSchema = v.object({ weeks: v.number(), lines: v.array(ReorderLineSchema) });
