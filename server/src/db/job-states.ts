import type { JobState as State } from '@yard-spool/contract';

/** A reel that waits or is under way: its line is promised, and none of it is in the books as wound. */
export const TO_FILL: readonly State[] = ['booked', 'on-the-bench'];
/** A reel that is filled and still in the shop. */
export const FILLED_HERE: readonly State[] = ['to-check', 'ready'];
/** A reel that is in the shop. */
export const HERE: readonly State[] = [...TO_FILL, ...FILLED_HERE];
/** A reel that something is still to be done to before it is ready. */
export const TO_DO: readonly State[] = [...TO_FILL, 'to-check'];
/** A reel that was filled, wherever it is. */
export const FILLED: readonly State[] = [...FILLED_HERE, 'handed-back'];

/** States as they are listed in a query: `jobs.state IN (…)`. */
export const inSql = (states: readonly State[]): string => states.map((state) => `'${state}'`).join(', ');
