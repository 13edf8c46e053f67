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
  /** Left on pieces of use once every reel that waits is cut as the plan of cuts has it. */
  freeMm: MillimetresSchema,
  /** What reels that wait lack, and the longest unbroken length among it. */
  lacksMm: MillimetresSchema,
  longestLackMm: MillimetresSchema,
  /** On order and not here yet. */
  onOrderMm: MillimetresSchema,
  /** On reels whose line becomes due in the weeks looked ahead. */
  dueMm: MillimetresSchema,
  /** Likely used in the weeks looked ahead, and the chance that what is left lasts so long. */
  expectedMm: v.number(),
  lasts: v.number(),
  /** Missing to have enough in nine of ten. */
  needMm: v.number(),
  /** The cheapest packs that hold it, of sizes bought before; empty where nothing is needed or no price is known. */
  packs: v.array(v.object({ lengthMm: MillimetresSchema, count: v.number(), minor: v.number() })),
});
export type ReorderLine = v.InferOutput<typeof ReorderLineSchema>;

export const ReorderSchema = v.object({
  weeks: v.number(),
  /** Weeks looked ahead: until the next order and its delivery. */
  ahead: v.number(),
  lines: v.array(ReorderLineSchema),
});
export type Reorder = v.InferOutput<typeof ReorderSchema>;
