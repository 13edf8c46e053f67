import type { Soak } from '@yard-spool/contract';

export type SoakState = 'soaking' | 'ready' | 'too-long';

/** How a soak stands by the clock. */
export const soakState = (
  { readyAt, tooLongAt }: Pick<Soak, 'readyAt' | 'tooLongAt'>,
  now: Date,
): SoakState => (now >= new Date(tooLongAt) ? 'too-long' : now >= new Date(readyAt) ? 'ready' : 'soaking');

const HOUR = 3_600_000;

/** A span of time as it is said at the tub: 40 min, 3 h 10 min. */
export function spanText(milliseconds: number): string {
  const minutes = Math.max(0, Math.round(milliseconds / 60_000));
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return `${String(rest)} min`;
  return rest === 0 || milliseconds > 24 * HOUR
    ? `${String(hours)} h`
    : `${String(hours)} h ${String(rest)} min`;
}
