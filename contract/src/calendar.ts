import * as v from 'valibot';
import { InstantSchema } from './basics';

/** Whether the shop's calendar can be subscribed to, and since when by the address it has now. */
export const CalendarSchema = v.object({
  since: v.nullable(InstantSchema),
  /** The address, told once, when it is made: only its hash is kept. */
  path: v.nullable(v.string()),
});
export type Calendar = v.InferOutput<typeof CalendarSchema>;
