import type { Job, Run } from '@yard-spool/contract';
import { foldRun, runFacts, type PlanInput, type ReelType } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { REEL_OF_JOB } from '../db/joins';
import { parsed } from '../db/parsed';
import { readLog } from './run-log';

interface LastRow {
  readonly runId: number;
  readonly closedAt: Date;
  readonly under: Run['under'];
  readonly planInput: PlanInput;
  readonly wants: Job['wants'];
  readonly type: ReelType;
}

/** How a spool was set up at its last fill here, before a run; null where it was not filled here. */
export async function lastTime(from: Reading, spoolId: number, runId: number): Promise<Run['lastTime']> {
  const [last] = await from.query<LastRow>(
    `SELECT runs.id AS runId, fills.closed_at AS closedAt, runs.made_under AS under, jobs.plan_input AS planInput,
       jobs.wants, reels.type
     FROM fills FORCE INDEX (spool_id) JOIN runs ON runs.id = fills.run_id JOIN jobs ON jobs.id = runs.job_id ${REEL_OF_JOB}
     WHERE fills.spool_id = :spoolId AND fills.taken_back_at IS NULL AND fills.run_id < :runId
     ORDER BY fills.id DESC LIMIT 1`,
    { spoolId, runId },
  );
  if (!last) return null;
  const job = { type: last.type, planInput: parsed(last.planInput), wants: parsed(last.wants) };
  const facts = runFacts({ job, under: parsed(last.under) });
  const state = foldRun(facts, await readLog(from, last.runId));
  return {
    at: last.closedAt.toISOString(),
    washers: state.lays.at(-1)?.did ?? null,
    supply: state.supplies.main ?? null,
  };
}
