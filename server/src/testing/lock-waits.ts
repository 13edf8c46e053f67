import { expect, vi } from 'vitest';

/** Of this database alone: other tests have theirs on the same server. */
const WAITING = `SELECT trx_id FROM information_schema.innodb_trx
  JOIN information_schema.processlist ON processlist.id = innodb_trx.trx_mysql_thread_id
  WHERE processlist.db = DATABASE() AND trx_state = 'LOCK WAIT'`;

/**
 * Waits until so many changes wait for a lock, or something else holds.
 *
 * @param query asks the database
 */
export const lockWaits = (
  query: (sql: string) => Promise<unknown[]>,
  many: number,
  orElse: () => boolean = () => false,
): Promise<void> =>
  vi.waitFor(
    async () => expect(orElse() || (await query(WAITING)).length >= many).toBe(true),
    // What the database tells of this is renewed only when nobody asked for a tenth of a second.
    { timeout: 30_000, interval: 250 },
  );
