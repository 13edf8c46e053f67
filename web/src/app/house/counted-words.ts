import type { Device } from '@yard-spool/contract';

/** What a device counts, as it is said. */
export const COUNTED_WORDS: Readonly<Record<Device['counts'], string>> = {
  'handle-turns': 'handle turns',
  'spool-turns': 'spool turns',
  metres: 'metres of line',
};
