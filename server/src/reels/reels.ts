import type { Page, Reel, ReelRow } from '@yard-spool/contract';
import { literally } from '../db/like';
import { pageOf } from '../db/page-of';
import { toCustomer } from '../bags/customers';
import type { Reading } from '../context';
import { ProblemError } from '../problem-error';
import { fillsOfSpools } from './fills';

interface FoundReel extends Omit<ReelRow, 'filledAt'> {
  readonly filledAt: Date | null;
}

const PAGE = 50;

/** Reels whose tag, name or customer starts with (or has a word that starts with) what was typed, by tag. */
export async function findReels(
  { query }: Reading,
  { q, after }: { readonly q: string; readonly after: string },
): Promise<Page<ReelRow>> {
  const start = `${literally(q)}%`;
  const rows = await query<FoundReel>(
    `SELECT reels.tag, reels.type, reels.label, customers.name AS customer,
       (SELECT MAX(fills.closed_at) FROM fills JOIN spools ON spools.id = fills.spool_id
        WHERE spools.reel_id = reels.id AND fills.taken_back_at IS NULL) AS filledAt
     FROM reels JOIN customers ON customers.id = reels.customer_id
     WHERE (reels.tag LIKE :start OR reels.label LIKE :start OR customers.name LIKE :start OR customers.name LIKE :word)
       AND reels.tag > :after ORDER BY reels.tag LIMIT ${String(PAGE + 1)}`,
    { start, word: `% ${start}`, after },
  );
  return pageOf(
    rows.map((row) => ({ ...row, filledAt: row.filledAt?.toISOString() ?? null })),
    PAGE,
    ({ tag }) => tag,
  );
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
  const run =
    waiting && (await tables.runs.findOne({ where: { jobId: waiting.id, state: ['open', 'closed'] } }));
  return {
    tag: reel.tag,
    type: reel.type,
    label: reel.label,
    customer: toCustomer(customer),
    fills: await fillsOfSpools(from, spoolIds),
    waiting: waiting && { bagNumber: waiting.bagId, jobId: waiting.id, runId: run?.id ?? null },
  };
}
