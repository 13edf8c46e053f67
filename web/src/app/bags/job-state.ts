import type { JobState } from '@yard-spool/contract';

/** Where a reel stands, as the shop says it. */
export const STATE_WORDS: Readonly<Record<JobState, string>> = {
  booked: 'booked',
  'on-the-bench': 'on the bench',
  'to-check': 'to check',
  ready: 'ready',
  'handed-back': 'handed back',
  cancelled: 'cancelled',
};

/** Line is on it. */
export const isFilled = (state: JobState): boolean =>
  state === 'to-check' || state === 'ready' || state === 'handed-back';
