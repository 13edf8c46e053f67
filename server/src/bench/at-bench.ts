import type { Unit } from '../context/context';
import type { RunRow } from '../db/models/runs';

/** Sent when another run stands at a bench, or none. */
export const benchTopic = (benchId: number): string => `bench:${String(benchId)}`;

/** Whether a run was put aside, as SQL over `runs`: the last thing anybody did to it. */
export const ASIDE = `COALESCE((SELECT run_events.kind = 'put-aside' FROM run_events
  WHERE run_events.run_id = runs.id AND run_events.kind <> 'device-at' ORDER BY run_events.seq DESC LIMIT 1), FALSE)`;

/** A run stands at its bench from now on: somebody did something to it there. */
export async function standsAt(u: Unit, runId: number, benchId: number): Promise<void> {
  const bench = await u.tables.benches.findByPk(benchId);
  if (bench && bench.runId !== runId) await nowAt(u, benchId, runId);
}

/**
 * A run stands at its bench no more: it was closed, put aside, or taken elsewhere. The one begun last of those open there
 * does, unless it was put aside: nobody is at that one, and no counter's turns are its.
 */
export async function leavesBench(u: Unit, runId: number, benchId: number): Promise<void> {
  const bench = await u.tables.benches.findByPk(benchId);
  if (bench?.runId !== runId) return;
  const [next] = await u.query<{ id: number }>(
    `SELECT runs.id FROM runs WHERE runs.bench_id = :benchId AND runs.state = 'open' AND runs.id <> :runId
       AND NOT ${ASIDE} ORDER BY runs.id DESC LIMIT 1`,
    { benchId, runId },
  );
  await nowAt(u, benchId, next?.id ?? null);
}

/** Takes a run to another bench; one that is not there any more leaves it where it is. */
export async function takeTo(u: Unit, run: RunRow, benchId: number | undefined): Promise<void> {
  if (benchId === undefined || benchId === run.benchId) return;
  const bench = await u.tables.benches.findByPk(benchId);
  if (!bench || bench.removed) return;
  await leavesBench(u, run.id, run.benchId);
  await u.tables.runs.change(run, { benchId });
}

async function nowAt(u: Unit, benchId: number, runId: number | null): Promise<void> {
  await u.tables.benches.changeAll({ runId }, { id: benchId });
  // Whichever run comes to its counter next begins where the counter stands then.
  await u.tables.counters.changeAll({ runId: null }, { benchId });
  u.afterCommit(() => u.notifier.emit(benchTopic(benchId), runId));
}
