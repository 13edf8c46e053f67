import { DateTime } from 'luxon';

/** A day as it is told: 12 Mar 2031. */
export const dayText = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy');

/** A moment as it is told: 12 Mar 2031, 9:05. */
export const momentText = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy, H:mm');
