import type { Reel, ReelRow } from '@yard-spool/contract';
import { toCustomer } from '../bags/customers';
import type { Reading } from '../context';
import { ProblemError } from '../problem-error';
import { fillsOfSpools } from './fills';

interface FoundReel extends Omit<ReelRow, 'filledAt'> {
  readonly filledAt: Date | null;
}

/** Reels whose tag, name or customer starts with (or has a word that starts with) what was typed. */
export async function findReels({ query }: Reading, typed: string): Promise<ReelRow[]> {
  const start = `${typed.replace(/[\\%_]/g, '\\$&')}%`;
  const rows = await query<FoundReel>(
    `SELECT reels.tag, reels.type, reels.label, customers.name AS customer, MAX(fills.closed_at) AS filledAt
     FROM reels JOIN customers ON customers.id = reels.customer_id
     LEFT JOIN spools ON spools.reel_id = reels.id LEFT JOIN fills ON fills.spool_id = spools.id AND fills.taken_back_at IS NULL
     WHERE reels.tag LIKE :start OR reels.label LIKE :start OR customers.name LIKE :start OR customers.name LIKE :word
     GROUP BY reels.id ORDER BY reels.tag LIMIT 100`,
    { start, word: `% ${start}` },
  );
  return rows.map((row) => ({ ...row, filledAt: row.filledAt?.toISOString() ?? null }));
}

/** A reel by its tag: what is on it, and what was before. */
export async function readReel(from: Reading, tag: string): Promise<Reel> {
  const { tables } = from;
  const reel = await tables.reels.findOne({ where: { tag } });
  const customer = reel && (await tables.customers.findByPk(reel.customerId));
  if (!customer)
    throw new ProblemError(
      'not-found',
      `No reel has the tag ${tag}. Look at the tag again, or search by customer.`,
    );
  const spoolIds = (await tables.spools.findAll({ where: { reelId: reel.id } })).map(({ id }) => id);
  const waiting = await tables.jobs.findOne({
    where: { spoolId: spoolIds, state: ['booked', 'on-the-bench'] },
    order: ['id'],
  });
  const run = waiting && (await tables.runs.findOne({ where: { jobId: waiting.id } }));
  return {
    tag: reel.tag,
    type: reel.type,
    label: reel.label,
    customer: toCustomer(customer),
    fills: await fillsOfSpools(from, spoolIds),
    waiting: waiting && { bagNumber: waiting.bagId, jobId: waiting.id, runId: run?.id ?? null },
  };
}
