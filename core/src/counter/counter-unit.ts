import { TO_BASE } from '../quantities/units';

/** What a reel's counter or a tape is marked in. */
export const COUNTER_UNITS = ['ft', 'm', 'yd'] as const;
export type CounterUnit = (typeof COUNTER_UNITS)[number];

/** Metres to one unit of a counter or a tape (NIST SP 811, exact). */
export const metresPer = (unit: CounterUnit): number => TO_BASE['line-length'][unit] ?? 1;
