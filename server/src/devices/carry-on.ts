import type { Device } from '@yard-spool/contract';
import type { Heard } from '@yard-spool/core';
import { writeEvents } from '../bench/run-log';
import { stateOfRun } from '../bench/state-of-run';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';

/** A device that is called otherwise from now on, and what was heard of it under its old name. */
export interface Renamed {
  readonly benchId: number;
  readonly was: Device;
  readonly is: Device;
  readonly heard: Heard | null;
}

/**
 * A counter that is called otherwise goes on where it stood: what was not credited under its old name is under its new one,
 * and a doubt is still asked about.
 */
export const carryOn = (context: ServerContext, { benchId, was, is, heard }: Renamed): Promise<void> =>
  unit(context, null, async (u) => {
    const bench = await u.tables.benches.findByPk(benchId);
    const run = bench?.runId == null ? null : await u.tables.runs.lock(bench.runId);
    if (run?.state !== 'open' || run.benchId !== benchId) return;
    const { state, last } = await stateOfRun(u, run);
    const count = state.devices[was.name];
    if (count === undefined || !state.counting.has(was.name) || !last.author) return;
    const stands = { kind: 'device-at', payload: { device: is.name, count } } as const;
    await writeEvents(u, run.id, last.seq, [stands], last.author);
    const key = { benchId, name: is.name };
    const row = await u.tables.counters.lockOrCreate(key, { ...key, runId: run.id, heard });
    await u.tables.counters.change(row, { runId: run.id, heard });
  });
