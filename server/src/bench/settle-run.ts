import type { Unit } from '../context/context';
import type { Job } from '@yard-spool/contract';
import { evidenceOfRun, type RunFacts, type RunState } from '@yard-spool/core';
import { ProblemError } from '../problem-error';
import { inWorker } from '../work/in-worker';
import { SETTLE, type SettledRun } from './settle-run-fill';
import { piecesHeld } from './pieces-held';
import { lockPiecesOf } from './pieces-of-run';

/** Settles a run's fill, with the pieces it was wound from locked. */
export async function settleRun(
  u: Unit,
  job: Job,
  facts: RunFacts,
  state: RunState,
): Promise<Extract<SettledRun, { ok: true }>> {
  const { cuts, planInput, type } = job;
  await lockPiecesOf(u, job, state);
  const ids = cuts.flatMap(({ pieceId }) => pieceId ?? []);
  const pieces = piecesHeld(await u.tables.pieces.findAll({ where: { id: ids } }), cuts);
  const evidence = evidenceOfRun(planInput, facts, state, pieces);
  const settled = await inWorker(SETTLE, { evidence, type });
  if (!settled.ok) throw new ProblemError('bad-request', settled.sentence);
  return settled;
}
