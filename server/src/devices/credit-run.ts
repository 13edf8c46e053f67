import type { Device } from '@yard-spool/contract';
import {
  creditCount,
  gearAt,
  markDue,
  type Credit,
  type MeterStands,
  type OddCount,
  type RunHappening,
} from '@yard-spool/core';
import { stateOfRun } from '../bench/state-of-run';
import { lastPlace, writeEvents } from '../bench/run-log';
import type { ServerContext } from '../context';
import { unit, type Unit } from '../unit';

/** Where a bench's counter stands. */
interface Stands {
  readonly benchId: number;
  readonly device: Device;
  readonly count: number;
  /** Where it stood when a layer, or another run, may have begun; null where nothing was added since. */
  readonly since: number | null;
  /** What is wrong with the count, as the device's lines tell. */
  readonly doubt: OddCount | null;
  /** Whether the device is heard now. */
  readonly live: boolean;
  /** Where the line meter beside it stood at this count; null where it did not say. */
  readonly meter: MeterStands | null;
  /** Another run was just put in this one's place: what was counted up to then is still its own. */
  readonly leaving: boolean;
}

/**
 * Credits the run that stands at a bench with what the bench's counter went on by, under the run's lock: what one count
 * means is decided on the log as it is, and turns made for one run are never another's.
 *
 * @returns what the count means; null where the run does not stand there
 */
export const creditRun = (
  context: ServerContext,
  runId: number,
  { benchId, device, count, since, doubt, live, leaving, meter }: Stands,
): Promise<Credit | null> =>
  unit(context, null, async (u) => {
    const { runs, benches, counters } = u.tables;
    const run = await runs.lock(runId);
    const bench = await benches.findByPk(benchId);
    if (run?.state !== 'open') return null;
    const stands = run.benchId === benchId && bench?.runId === runId;
    if (leaving === stands) return null;
    const { facts, state } = await stateOfRun(u, run);
    if (leaving) return creditLast(u, runId, { device, count }, { facts, state });
    const key = { benchId, name: device.name };
    const served = await counters.lockOrCreate(key, { ...key, runId: null, heard: null });
    // What it counted for another run belongs to that: this one begins where it stood when it came to the bench.
    const known = served.runId === runId ? state : { ...state, counting: NOBODY };
    const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
    const credit = creditCount(device, known, count, {
      gear,
      doubt,
      live,
      ...(since === null ? {} : { since }),
    });
    if (served.runId !== runId) await counters.change(served, { runId });
    await writeWith(
      u,
      runId,
      credit,
      marksOf(known, credit, device, { meter: live && !doubt ? meter : null, gear }),
    );
    return credit;
  });

/** Where the line meter stood at what was just credited, where that is to be written down. */
function marksOf(
  state: Parameters<typeof markDue>[0],
  { happening }: Credit,
  { counts, per }: Device,
  { meter, gear }: { readonly meter: MeterStands | null; readonly gear: number },
): RunHappening[] {
  const mark = meter && markDue(state, happening, meter, (counts === 'spool-turns' ? 1 : gear) / per);
  return mark ? [mark] : [];
}

/** The last turns of a run that just left its bench: credited where it was counted, and never begun. */
async function creditLast(
  u: Unit,
  runId: number,
  { device, count }: Pick<Stands, 'device' | 'count'>,
  { facts, state }: Awaited<ReturnType<typeof stateOfRun>>,
): Promise<null> {
  if (!state.counting.has(device.name) || state.held || state.aside) return null;
  const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
  const { happening } = creditCount(device, state, count, { gear });
  if (happening && happening.kind !== 'device-at') await write(u, runId, happening);
  return null;
}

async function writeWith(
  u: Unit,
  runId: number,
  { happening }: Credit,
  marks: readonly RunHappening[],
): Promise<void> {
  if (happening) await write(u, runId, happening, ...marks);
}

/** A device's turns are written down as of whoever had the run last. */
async function write(u: Unit, runId: number, ...happenings: readonly RunHappening[]): Promise<void> {
  const { seq, byId } = await lastPlace(u, runId);
  const by = await u.tables.people.findByPk(byId ?? 0);
  if (!by) throw new Error('A run was begun by somebody.');
  await writeEvents(u, runId, seq, happenings, by);
}

const NOBODY: ReadonlySet<string> = new Set();
