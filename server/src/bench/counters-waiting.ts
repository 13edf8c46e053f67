import { REEL_OF_JOB } from '../db/joins';
import type { CounterWaiting } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { stateOfRun } from './state-of-run';

/** Runs of trolling reels that stand at their counter step: what is walked in one outing. */
export async function listCountersWaiting(from: Reading): Promise<CounterWaiting[]> {
  const rows = await from.query<CounterWaiting>(
    `SELECT runs.id, reels.tag, reels.label, customers.name AS customer
     FROM runs JOIN jobs ON jobs.id = runs.job_id JOIN bags ON bags.id = jobs.bag_id
       JOIN customers ON customers.id = bags.customer_id ${REEL_OF_JOB}
     WHERE runs.state = 'open' AND reels.type = 'trolling' ORDER BY runs.id`,
  );
  const runs = await from.tables.runs.findAll({ where: { id: rows.map(({ id }) => id) } });
  const waiting: CounterWaiting[] = [];
  for (const row of rows) {
    const run = runs.find(({ id }) => id === row.id);
    if (!run) continue;
    const { state } = await stateOfRun(from, run);
    if (state.current?.kind === 'counter') waiting.push(row);
  }
  return waiting;
}
