import {
  beginFold,
  factsNow,
  foldOn,
  type RunFacts,
  runFacts,
  type RunState,
  stateOf,
} from '@yard-spool/core';
import type { Reading } from '../context/context';
import type { RunRow } from '../db/models/runs';
import { ProblemError } from '../problem-error';
import { RUN_STATES, type HeldState, type LastEvent } from './held-state';
import { readAuthored } from './run-log';

/** Runs kept folded; more than are ever open at once. */
const MOST_KEPT = 300;

/**
 * Where a run stands. What was folded before is kept in memory, so that another event costs the same at the tenth as at
 * the ten thousandth; after a restart the log is folded once. Asked before a change writes to the log, never after: under
 * the run's lock the last event told is the log's last.
 */
export async function stateOfRun(
  from: Reading,
  run: Pick<RunRow, 'id' | 'jobId' | 'madeUnder'>,
): Promise<{ readonly facts: RunFacts; readonly state: RunState; readonly last: LastEvent }> {
  const states = from.held.of(RUN_STATES);
  const kept = states.get(run.id) ?? { fold: beginFold(await factsOf(from, run)), last: NOTHING };
  const before = kept.last;
  const read = await readAuthored(from, run.id, before.seq, before.author);
  // A change that was folded and then not kept: the log at this place is another one now.
  if (before.seq > 0 && read[0]?.event.id !== before.id) {
    states.delete(run.id);
    return stateOfRun(from, run);
  }
  // Somebody else may have folded the same while the log was read.
  const fresh = read.filter(({ event }) => event.seq > kept.last.seq);
  foldOn(
    kept.fold,
    fresh.map(({ event }) => event),
  );
  const last = fresh.at(-1);
  if (last) kept.last = { seq: last.event.seq, id: last.event.id, author: last.author };
  keep(states, run.id, kept);
  const state = stateOf(kept.fold);
  return { facts: factsNow(kept.fold.facts, state), state, last: kept.last };
}

const NOTHING: LastEvent = { seq: 0, id: '', author: null };

/** Keeps the ones used last. */
function keep(states: Map<number, HeldState>, id: number, kept: HeldState): void {
  states.delete(id);
  states.set(id, kept);
  const [oldest] = states.keys();
  if (states.size > MOST_KEPT && oldest !== undefined) states.delete(oldest);
}

async function factsOf(
  { tables }: Reading,
  { jobId, madeUnder }: Pick<RunRow, 'jobId' | 'madeUnder'>,
): Promise<RunFacts> {
  const job = await tables.jobs.findByPk(jobId);
  const spool = job && (await tables.spools.findByPk(job.spoolId));
  const reel = spool && (await tables.reels.findByPk(spool.reelId));
  if (!reel) throw new ProblemError('not-found', 'This reel is not booked in any more.');
  const { planInput, wants } = job;
  return runFacts({ job: { planInput, wants, type: reel.type }, under: madeUnder });
}
