import type { Soak } from '@yard-spool/contract';

export type SoakState = 'soaking' | 'ready' | 'too-long';

/** How a soak stands by the clock. */
export const soakState = (
  { readyAt, tooLongAt }: Pick<Soak, 'readyAt' | 'tooLongAt'>,
  now: Date,
): SoakState => (now >= new Date(tooLongAt) ? 'too-long' : now >= new Date(readyAt) ? 'ready' : 'soaking');
