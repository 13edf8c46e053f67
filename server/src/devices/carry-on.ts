import { writeEvents } from '../bench/run-log';
import { stateOfRun } from '../bench/state-of-run';
import type { Unit } from '../context/context';
import type { RenamedCounter } from '../context/happened';

/**
 * A counter that is called otherwise goes on where it stood, in the change that calls it so: what was not credited under
 * its old name is under its new one, and what is asked about it still is.
 */
export async function carryOn(u: Unit, { benchId, was, is }: RenamedCounter): Promise<void> {
  const { benches, runs, counters } = u.tables;
  const bench = await benches.findByPk(benchId);
  const run = bench?.runId == null ? null : await runs.lock(bench.runId);
  if (run?.state !== 'open' || run.benchId !== benchId) return;
  const { state, last } = await stateOfRun(u, run);
  const count = state.devices[was] ?? state.unheard[was]?.since;
  const old = await counters.lockOne({ where: { benchId, name: was } });
  if (count === undefined || !last.author) return;
  const called = { kind: 'device-at', payload: { device: is, count, was } } as const;
  await writeEvents(u, run.id, last.seq, [called], last.author);
  const known = { runId: old?.runId ?? null, heard: old?.heard ?? null };
  const key = { benchId, name: is };
  await counters.change(await counters.lockOrCreate(key, { ...key, ...known }), known);
}
