import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import type { Heard } from '@yard-spool/core';

/** What was heard of a bench's device before; null where it never was. */
export async function readHeard(
  { tables }: ServerContext,
  benchId: number,
  name: string,
): Promise<Heard | null> {
  const row = await tables.counters.findOne({ where: { benchId, name } });
  return row?.heard ?? null;
}

/** Keeps what was heard of a bench's device, so that a restart of the server forgets neither when nor what. */
export const keepHeard = (
  context: ServerContext,
  benchId: number,
  name: string,
  heard: Heard,
): Promise<void> =>
  unit(context, null, async (u) => {
    const key = { benchId, name };
    const row = await u.tables.counters.lockOrCreate(key, { ...key, runId: null, heard: null });
    await u.tables.counters.change(row, { heard });
  });
