import { DateTime } from 'luxon';
import type { Reading } from '../context/context';
import { readHouseRules } from './read-house-rules';

/**
 * The last moment of a day as the shop counts its days: in its own time zone, or the server's where none is settled.
 *
 * @param day ISO date
 */
export async function endOfDay(from: Reading, day: string): Promise<Date> {
  const { zone } = await readHouseRules(from);
  return inZone(day, zone).endOf('day').toJSDate();
}

/**
 * A time or a day as it is in the shop.
 *
 * @param zone as the house settled it; empty for the machine's own
 */
export const inZone = (iso: string, zone: string): DateTime =>
  DateTime.fromISO(iso, { zone: zone === '' ? 'system' : zone });
