import type { Device } from '@yard-spool/contract';
import {
  calledNow,
  creditCount,
  eachTurn,
  gearAt,
  inNamesOfNow,
  markDue,
  takenUpAt,
  type Called,
  type Credit,
  type Credited,
  type MeterStands,
  type RunHappening,
  type Weighed,
} from '@yard-spool/core';
import type { LastEvent } from '../bench/held-state';
import { readLog, writeEvents } from '../bench/run-log';
import { stateOfRun } from '../bench/state-of-run';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';

/** A count of a bench's counter that is to be credited. */
interface Stands extends Weighed {
  readonly benchId: number;
  readonly device: Device;
}

/** A run as its log has it. */
type Told = Awaited<ReturnType<typeof stateOfRun>>;

/**
 * Credits the run that stands at a bench with what the bench's counter went on by, under the run's lock: what one count
 * means is decided on the log as it is, and turns made for one run are never another's.
 *
 * @returns what the count means; null where the run does not stand there; nothing is written where the log went on
 */
export const creditRun = (context: ServerContext, stands: Stands): Promise<Credited> =>
  unit(context, null, async (u) => {
    const { benchId, device, leaving, runId } = stands;
    const run = await u.tables.runs.lock(runId);
    if (run?.state !== 'open') return null;
    const at = await runAt(u, benchId, device.name);
    if (leaving === (run.benchId === benchId && at.runId === runId)) return null;
    const told = await stateOfRun(u, run);
    // Called otherwise meanwhile it is still the same device, and so are its last turns under the old name.
    const named = { ...stands, device: { ...device, name: calledNow(told.state.called, device.name) } };
    if (leaving) return creditLast(u, runId, named, told);
    if (told.last.seq > (stands.known ?? -1)) return { behind: told.last.seq };
    return creditNow(u, runId, named, { ...told, served: at.served });
  });

/** What the run that stands at the bench is credited with. */
async function creditNow(
  u: Unit,
  runId: number,
  { benchId, device, count, since, doubt, doubtFrom, live, meter, heard }: Stands,
  { facts, state, last, served }: Told & { readonly served: number | null },
): Promise<Credit> {
  // What it counted for another run belongs to that: this one begins where it stood when it came to the bench.
  const known = served === runId ? state : { ...state, counting: NOBODY };
  const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
  const answered =
    doubt !== null && (await isAnswered(u, runId, doubtFrom, { name: device.name, called: state.called }));
  const weighed = { gear, doubt, answered, live, ...(since === null ? {} : { since }) };
  const credit = creditCount(device, known, count, weighed);
  if (served !== runId || credit.happening) await serve(u, { benchId, name: device.name }, { runId, heard });
  const marks = marksOf(known, credit, device, { meter: live && !doubt ? meter : null, gear });
  if (credit.happening) await write(u, { runId, last }, credit.happening, ...marks);
  return credit;
}

/** Whether somebody said what a device stands at since its count came into doubt: just before the server ended, say. */
async function isAnswered(
  u: Unit,
  runId: number,
  doubtFrom: number | null,
  { name, called }: { readonly name: string; readonly called: Called },
): Promise<boolean> {
  if (doubtFrom === null) return false;
  const since = await readLog(u, runId, doubtFrom + 1);
  return since.some((event) => takenUpAt(inNamesOfNow(event, called), name) !== null);
}

/** The run that stands at a bench, and the one that the bench's counter was last known to count for. */
async function runAt(
  { query }: Unit,
  benchId: number,
  name: string,
): Promise<{ readonly runId: number | null; readonly served: number | null }> {
  const [at] = await query<{ runId: number | null; served: number | null }>(
    `SELECT benches.run_id AS runId, counters.run_id AS served FROM benches
       LEFT JOIN counters ON counters.bench_id = benches.id AND counters.name = :name
      WHERE benches.id = :benchId`,
    { benchId, name },
  );
  return at ?? { runId: null, served: null };
}

/**
 * Writes down for which run a bench's counter counts, and what was heard of it. Both go with what is credited: a device that
 * began again while the server was away is told by its lines, and by lines from before what is credited it is not.
 */
async function serve(
  { tables: { counters } }: Unit,
  key: { readonly benchId: number; readonly name: string },
  known: Pick<Stands, 'runId' | 'heard'>,
): Promise<void> {
  const row = await counters.lockOrCreate(key, { ...key, ...known });
  await counters.change(row, known);
}

/** Where the line meter stood at what was just credited, where that is to be written down. */
function marksOf(
  state: Parameters<typeof markDue>[0],
  { happening }: Credit,
  device: Device,
  { meter, gear }: { readonly meter: MeterStands | null; readonly gear: number },
): RunHappening[] {
  const mark = meter && markDue(state, happening, meter, gear / eachTurn(device, gear) / device.per);
  return mark ? [mark] : [];
}

/** The last turns of a run that just left its bench: credited where it was counted, and never begun. */
async function creditLast(
  u: Unit,
  runId: number,
  { device, count }: Pick<Stands, 'device' | 'count'>,
  { facts, state, last }: Told,
): Promise<null> {
  if (!state.counting.has(device.name) || state.held || state.aside) return null;
  const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
  const { happening } = creditCount(device, state, count, { gear });
  if (happening && happening.kind !== 'device-at') await write(u, { runId, last }, happening);
  return null;
}

/** The end of a run's log, as it was read under the run's lock. */
interface LogEnd {
  readonly runId: number;
  readonly last: LastEvent;
}

/** A device's turns are written down as of whoever had the run last. */
async function write(u: Unit, { runId, last }: LogEnd, ...happenings: RunHappening[]): Promise<void> {
  if (!last.author) throw new Error('A run was begun by somebody.');
  await writeEvents(u, runId, last.seq, happenings, last.author);
}

const NOBODY: ReadonlySet<string> = new Set();
