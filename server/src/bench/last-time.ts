import type { Run } from '@yard-spool/contract';
import { foldRun, runFacts } from '@yard-spool/core';
import { Op } from 'sequelize';
import type { Reading } from '../context/context';
import { readJob } from '../bags/bags';
import { readLog } from './run-log';
import { newestOf } from '../context/newest-of';

/** How a spool was set up at its last fill here, before a run; null where it was not filled here. */
export async function lastTime(from: Reading, spoolId: number, runId: number): Promise<Run['lastTime']> {
  const fill = await from.tables.fills.findOne({
    where: { spoolId, takenBackAt: null, runId: { [Op.lt]: runId } },
    ...newestOf('spool_id'),
  });
  const run = fill && (await from.tables.runs.findByPk(fill.runId));
  if (!run) return null;
  const job = await readJob(from, run.jobId);
  const state = foldRun(runFacts({ job, under: run.madeUnder }), await readLog(from, run.id));
  return {
    at: fill.closedAt.toISOString(),
    washers: state.lays.at(-1)?.did ?? null,
    supply: state.supplies.main ?? null,
  };
}
