import type { KeptHouseRules } from '@yard-spool/contract';

/** What the shop has settled, held in memory since it was read last; null where it has to be read. */
export interface HeldHouse {
  settled: Promise<KeptHouseRules> | null;
}
