import * as v from 'valibot';

/** What a whole shop's file holds, before anything is done with it. */
export const ShopFileSchema = v.object({
  /** When it was written. */
  at: v.string(),
  /** How many there are of what. */
  holds: v.array(v.object({ what: v.string(), rows: v.number() })),
  /** Whether it was imported. */
  taken: v.boolean(),
});
export type ShopFile = v.InferOutput<typeof ShopFileSchema>;
export const ShopFileStepSchema = v.object({
  step: v.picklist(['look', 'take'], 'A file is looked at, or taken.'),
});
