import type { Unit } from '../context/context';
import type { Job } from '@yard-spool/contract';
import type { RunFacts, RunState, SettledFill } from '@yard-spool/core';
import { noteChange } from '../history/bag-history';
import type { RunRow } from '../db/models/runs';

/** A gear is told to a tenth; less than half of that is how readings scatter. */
const DIFFERS = 0.05;
const GEARS = [0.5, 12] as const;

interface Answered {
  readonly run: RunRow;
  readonly job: Job;
  readonly bagId: number;
  readonly facts: RunFacts;
  readonly state: RunState;
  readonly settled: Pick<SettledFill, 'gearFactor'>;
}

/**
 * What an answer changed beyond its own fill: a gear that turned out to be another holds for the reel and for its kind from
 * now on, and its bag says so. On a winder, or counted by the spool's own turns, the gear was never in question.
 */
export async function keepAnswers(
  u: Unit,
  { run, job, bagId, facts, state, settled }: Answered,
): Promise<void> {
  const { gear } = facts.request;
  const found = Math.min(GEARS[1], Math.max(GEARS[0], gear * settled.gearFactor));
  const byHandle = facts.request.layers.some(
    ({ id, kind }) => kind === 'line' && state.supplies[id]?.way !== 'winder' && (state.turns[id] ?? 0) > 0,
  );
  if (!byHandle || Math.abs(found - gear) < DIFFERS) return;
  const reel = await u.tables.reels.findOne({ where: { tag: job.tag } });
  if (!reel) return;
  await u.tables.reels.change(reel, { gearFound: found, gearRunId: run.id });
  await tellKind(u, job, found);
  await noteChange(
    u,
    bagId,
    `${job.tag}: the gear is ${told(found)}, not ${told(gear)}, as was answered at the bench; kept for this reel and for ${job.label}`,
  );
}

const told = (gear: number): string => `${gear.toFixed(1)}:1`;

async function tellKind(
  { tables }: Unit,
  { type, label }: Pick<Job, 'type' | 'label'>,
  gear: number,
): Promise<void> {
  const there = await tables.reelKinds.findOne({ where: { type, label } });
  const kind = there && (await tables.reelKinds.lock(there.id));
  if (kind) await tables.reelKinds.change(kind, { gear, version: kind.version + 1 });
}

/** What a run's answers changed is as it was before it: the run is opened again. */
export async function forgetAnswers(
  u: Unit,
  run: Pick<RunRow, 'id'>,
  { type, label, planInput }: Pick<Job, 'type' | 'label' | 'planInput'>,
): Promise<void> {
  const reel = await u.tables.reels.findOne({ where: { gearRunId: run.id } });
  if (!reel) return;
  await u.tables.reels.change(reel, { gearFound: null, gearRunId: null });
  await tellKind(u, { type, label }, planInput.request.gear);
}
