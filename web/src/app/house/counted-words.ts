import type { DeviceCounts } from '@yard-spool/core';

/** What a device counts, as it is said. */
export const COUNTED_WORDS: Readonly<Record<DeviceCounts, string>> = {
  'handle-turns': 'handle turns',
  'spool-turns': 'spool turns',
  metres: 'metres of line',
};
