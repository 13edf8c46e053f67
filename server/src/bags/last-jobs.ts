import type { Job } from '@yard-spool/contract';
import type { PlanInput } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { parsed } from '../db/parsed';

/** What a spool was booked with last. */
export interface LastJob {
  readonly id: number;
  readonly bagId: number;
  readonly spoolId: number;
  readonly planInput: PlanInput;
  readonly wants: Job['wants'];
}

/** The job each spool had last, the latest last: one question, however many spools there are. */
export async function lastJobs({ query }: Reading, spoolIds: readonly number[]): Promise<LastJob[]> {
  if (spoolIds.length === 0) return [];
  const rows = await query<LastJob>(
    `SELECT jobs.id, jobs.bag_id AS bagId, jobs.spool_id AS spoolId, jobs.plan_input AS planInput, jobs.wants
     FROM (SELECT MAX(id) AS id FROM jobs WHERE spool_id IN (:spoolIds) GROUP BY spool_id) AS last
       JOIN jobs ON jobs.id = last.id ORDER BY jobs.id`,
    { spoolIds },
  );
  return rows.map((row) => ({ ...row, planInput: parsed(row.planInput), wants: parsed(row.wants) }));
}
