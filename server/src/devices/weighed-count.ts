import type { Credit, MeterStands } from '@yard-spool/core';
import type { Heard } from '../db/models/heard';

/** A count, and what it is weighed beside. */
export interface Weighed {
  readonly count: number;
  readonly runId: number;
  /** How far the run's log was known. */
  readonly known: number | null;
  readonly since: number | null;
  readonly doubt: Heard['doubt'];
  readonly meter: MeterStands | null;
  readonly leaving?: boolean;
}
/** A count that is credited for itself. */
export const BESIDE_NOTHING = { known: null, since: null, doubt: null, meter: null } as const;

/**
 * Whether a count leaves nothing to ask, as the log has it: a doubt that was answered just before the server ended is kept
 * with what was heard, and the answer only in the log.
 */
export const leavesNothingToAsk = ({ happening, unclaimed, odd }: Credit): boolean =>
  happening === null && unclaimed === 0 && odd === null;
