import type { ReelType } from '@yard-spool/core';

/** What each reel type is called at the bench. */
export const REEL_TYPE_NAMES: Readonly<Record<ReelType, string>> = {
  'fixed-spool': 'Fixed-spool',
  baitcaster: 'Baitcaster',
  spincast: 'Spincast',
  trolling: 'Trolling',
  'big-game': 'Big game',
};
