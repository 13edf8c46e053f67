import type { Job } from '@yard-spool/contract';
import {
  evidenceOfRun,
  settleFill,
  type FillEvidence,
  type RunFacts,
  type RunState,
  type SettledFill,
} from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { lockPiece } from '../rack/move';
import { piecesHeld } from './pieces-held';

/** What a run's log says of its fill, settled with all that is believed, and once without what the shop has learned. */
export interface SettledRun {
  readonly evidence: FillEvidence;
  readonly settled: SettledFill;
  /** For learning: nothing is learned twice. Null where it cannot be told. */
  readonly untaught: SettledFill | null;
}

/** Settles a run's fill, with the pieces it was wound from locked. */
export async function settleRun(
  house: House,
  { cuts, planInput, type }: Job,
  facts: RunFacts,
  state: RunState,
  transaction: Transaction,
): Promise<SettledRun> {
  // Locked in one order, so that two closings at once cannot wait for each other.
  for (const pieceId of [...new Set(cuts.map((cut) => cut.pieceId))].sort((a, b) => a - b))
    await lockPiece(house, { id: pieceId }, transaction);
  const pieces = await piecesHeld(house, cuts, transaction);
  const evidence = evidenceOfRun(planInput, facts, state, pieces);
  const settled = settleFill(evidence);
  if (!settled.ok)
    throw new ProblemError(
      'bad-request',
      settled.issues[0]?.sentence ?? 'What was counted cannot be brought together.',
    );
  const untaught = settleFill({ ...evidence, beliefs: { type } });
  return { evidence, settled: settled.value, untaught: untaught.ok ? untaught.value : null };
}
