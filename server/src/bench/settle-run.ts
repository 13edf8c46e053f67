import type { Job } from '@yard-spool/contract';
import { evidenceOfRun, type RunFacts, type RunState } from '@yard-spool/core';
import { ProblemError } from '../problem-error';
import { lockPieces } from '../bags/cuts';
import type { Unit } from '../unit';
import { inWorker } from '../work/in-worker';
import type { SettledRun } from '../work/settle-run-fill';
import { piecesHeld } from './pieces-held';

/** Settles a run's fill, with the pieces it was wound from locked. */
export async function settleRun(
  u: Unit,
  { cuts, planInput, type }: Job,
  facts: RunFacts,
  state: RunState,
): Promise<Extract<SettledRun, { ok: true }>> {
  await lockPieces(u, [{ cuts }]);
  const pieces = await piecesHeld(u, cuts);
  const evidence = evidenceOfRun(planInput, facts, state, pieces);
  const settled = await inWorker('settle', { evidence, type });
  if (!settled.ok) throw new ProblemError('bad-request', settled.sentence);
  return settled;
}
