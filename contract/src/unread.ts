import * as v from 'valibot';
import { WordsSchema } from './words';
import { IdSchema } from './basics';

/** As much of what stands in a fact as is shown and can be typed, characters. */
export const MOST_STANDS = 20_000;

/** A fact of the books that cannot be read: where it stands, what stands there, and what is wrong with it. */
export const UnreadFactSchema = v.object({
  table: v.string(),
  id: IdSchema,
  field: v.string(),
  /** What the entry is called: "Bag 12". */
  entry: v.string(),
  /** What the fact is called: "Due time". */
  says: v.string(),
  /** As it is stored: text and figures as they are, an instant in UTC (ISO 8601), everything else as JSON. */
  stands: v.string(),
  wrong: WordsSchema,
  /** What it can be; empty where it is typed. */
  choices: v.array(v.string()),
});
export type UnreadFact = v.InferOutput<typeof UnreadFactSchema>;

/** Something else in the place of what cannot be read, against what was looked at. */
export const MendFactSchema = v.object({
  table: v.pipe(v.string(), v.maxLength(40)),
  id: IdSchema,
  field: v.pipe(v.string(), v.maxLength(40)),
  stands: v.pipe(v.string(), v.maxLength(MOST_STANDS)),
  is: v.pipe(v.string(), v.maxLength(MOST_STANDS, 'This is longer than anything that is kept there.')),
});
export type MendFact = v.InferOutput<typeof MendFactSchema>;
