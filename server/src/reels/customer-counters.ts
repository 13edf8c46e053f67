import type { CustomerCounter } from '@yard-spool/contract';
import type { Reading } from '../context/context';

interface Row {
  readonly tag: string;
  readonly label: string;
  readonly filledAt: Date;
  readonly counter: CustomerCounter['counter'];
}

/** The counters of a customer's reels as each was matched last, by tag. */
export async function listCustomerCounters(
  { query }: Reading,
  customerId: number,
): Promise<CustomerCounter[]> {
  const rows = await query<Row>(
    `SELECT reels.tag, reels.label, fills.closed_at AS filledAt, fills.counter
     FROM reels JOIN spools ON spools.reel_id = reels.id JOIN fills ON fills.spool_id = spools.id
     WHERE reels.customer_id = :customerId AND fills.taken_back_at IS NULL AND fills.counter IS NOT NULL
     ORDER BY reels.tag, fills.id DESC`,
    { customerId },
  );
  const last = new Map<string, Row>();
  for (const row of rows) if (!last.has(row.tag)) last.set(row.tag, row);
  return [...last.values()].map(({ filledAt, ...row }) => ({ ...row, filledAt: filledAt.toISOString() }));
}
