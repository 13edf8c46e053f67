import { FILLED_HERE, HERE, inSql, TO_FILL } from '../db/job-states';
import { REEL_OF_JOB } from '../db/joins';
import type { BagsQuerySchema, BagGroup, BagRow, JobState, Page } from '@yard-spool/contract';
import type { InferOutput } from 'valibot';
import type { Reading } from '../context/context';
import { literally } from '../db/like';
import { pageOf } from '../db/page-of';
import { holdsCode } from '../db/holds-code';
import { NO_SKETCH, sketchesOfJobs } from './drawings-of-jobs';

const PAGE = 50;

type Asked = InferOutput<typeof BagsQuerySchema>;

/** A bag's reels by how they stand decide which group it is in. */
const STANDING = (states: readonly JobState[]): string =>
  `bags.id IN (SELECT bag_id FROM jobs WHERE state IN (${inSql(states)}))`;
const GROUPS: Readonly<Record<BagGroup, string>> = {
  waiting: STANDING(TO_FILL),
  filled: `${STANDING(FILLED_HERE)} AND NOT ${STANDING(TO_FILL)}`,
  over: `NOT EXISTS (SELECT 1 FROM jobs WHERE jobs.bag_id = bags.id AND jobs.state IN (${inSql(HERE)}))`,
};

/** Bags of one group, the one promised soonest first; those that are over, the latest first. */
export async function listBags(from: Reading, { group, find, state, after }: Asked): Promise<Page<BagRow>> {
  const latestFirst = group === 'over';
  const words = find.split(/\s+/).filter(Boolean).slice(0, 8);
  const held = words.map(
    (
      word,
      i,
    ) => `(CONCAT('bag ', bags.id) LIKE :word${String(i)} OR customers.name LIKE :word${String(i)} OR bags.id IN (
       SELECT jobs.bag_id FROM jobs ${REEL_OF_JOB}
       WHERE reels.tag LIKE :word${String(i)} OR ${holdsCode('reels.tag', word)} OR reels.label LIKE :word${String(i)}))`,
  );
  const where = [
    GROUPS[group],
    ...held,
    ...(state === '' ? [] : ['bags.id IN (SELECT bag_id FROM jobs WHERE state = :state)']),
    ...(after === '' ? [] : [`(bags.promised_at, bags.id) ${latestFirst ? '<' : '>'} (:at, :id)`]),
  ];
  const [at = '', id = ''] = after.split('_');
  const down = latestFirst ? 'DESC' : 'ASC';
  const rows = await from.query<{ number: number; customer: string; promisedAt: Date }>(
    `SELECT bags.id AS number, customers.name AS customer, bags.promised_at AS promisedAt
     FROM bags JOIN customers ON customers.id = bags.customer_id WHERE ${where.join(' AND ')}
     ORDER BY bags.promised_at ${down}, bags.id ${down} LIMIT ${String(PAGE + 1)}`,
    {
      ...Object.fromEntries(words.map((word, i) => [`word${String(i)}`, `%${literally(word)}%`])),
      state,
      at: new Date(Number(at) || 0),
      id: Number(id) || 0,
    },
  );
  const jobs = await jobRowsOf(
    from,
    rows.map(({ number }) => number),
  );
  const sketches = await sketchesOfJobs(
    from,
    jobs.map(({ id }) => id),
  );
  return pageOf(
    rows.map(({ number, customer, promisedAt }) => ({
      number,
      customer,
      promisedAt: promisedAt.toISOString(),
      jobs: jobs
        .filter(({ bagId }) => bagId === number)
        .map(({ id, state, tag, label, runId, type, counterOnly }) => ({
          id,
          state,
          tag,
          label,
          runId,
          type,
          counterOnly: Number(counterOnly) === 1,
          ...(sketches.get(id) ?? NO_SKETCH),
        })),
    })),
    PAGE,
    (last) => `${String(new Date(last.promisedAt).getTime())}_${String(last.number)}`,
  );
}

type JobOfBag = Omit<BagRow['jobs'][number], 'drawing' | 'lines' | 'counterOnly'> & {
  readonly bagId: number;
  readonly counterOnly: number | null;
};

const jobRowsOf = (from: Reading, bags: readonly number[]): Promise<JobOfBag[]> =>
  bags.length === 0
    ? Promise.resolve([])
    : from.query<JobOfBag>(
        `SELECT jobs.bag_id AS bagId, jobs.id, jobs.state, reels.tag, reels.label, reels.type, runs.id AS runId,
           JSON_VALUE(jobs.wants, '$.counterOnly') AS counterOnly
         FROM jobs ${REEL_OF_JOB}
         LEFT JOIN runs ON runs.job_id = jobs.id AND runs.state <> 'given-up' WHERE jobs.bag_id IN (:bags) ORDER BY jobs.position`,
        { bags },
      );
