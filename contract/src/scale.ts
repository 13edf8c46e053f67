import * as v from 'valibot';
import { InstantSchema } from './basics';

/** What the bench scale shows, once it has come to rest. */
export const ScaleReadingSchema = v.object({ device: v.string(), grams: v.number(), at: InstantSchema });
