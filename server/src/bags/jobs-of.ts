import type { Job } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { REEL_OF_JOB } from '../db/joins';
import { parsed } from '../db/parsed';
import { cutsOf } from './cuts-of';

type JobOf = Omit<Job, 'cuts'>;

/** Which jobs: by their own numbers, or all of some bags. */
type Which = { readonly ids: readonly number[] } | { readonly bags: readonly number[] };

/**
 * Jobs as they are told, in the order of their bags and of their places in them: one question for the jobs, two for what
 * they are cut from, however many they are.
 */
export async function jobsOf(from: Reading, which: Which): Promise<Job[]> {
  const [column, values] = 'ids' in which ? ['id', which.ids] : ['bag_id', which.bags];
  if (values.length === 0) return [];
  const rows = await from.query<JobOf>(
    `SELECT jobs.id, jobs.position, jobs.state, reels.tag, reels.type, reels.label, reels.looks, spools.name AS spool,
       jobs.wants, jobs.plan_input AS planInput, jobs.plan,
       (SELECT MIN(runs.id) FROM runs WHERE runs.job_id = jobs.id AND runs.state IN ('open', 'closed')) AS runId
     FROM jobs ${REEL_OF_JOB} WHERE jobs.${column} IN (:values) ORDER BY jobs.bag_id, jobs.position, jobs.id`,
    { values },
  );
  const cuts = await cutsOf(
    from,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({
    ...row,
    wants: parsed(row.wants),
    planInput: parsed(row.planInput),
    plan: parsed(row.plan),
    cuts: cuts.get(row.id) ?? [],
  }));
}
