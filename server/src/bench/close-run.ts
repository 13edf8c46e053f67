import { FillSchema, type Fill, type Job, type Person } from '@yard-spool/contract';
import {
  finalFill,
  gapAsRead,
  recordedMatch,
  laidBelow,
  layAdvice,
  runUnderWay,
  type RecordedMatch,
  type RunFacts,
  type RunState,
} from '@yard-spool/core';
import * as v from 'valibot';
import { noteChange } from '../history/bag-history';
import { readJob } from '../bags/bags';
import type { RunRow } from '../db/models/runs';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { readFill } from '../record/fills';
import { noteWhatIsOn } from '../record/on-spool';
import { lyingBefore, noteGiven, noteUse } from './from-record';
import { keepAnswers } from './keep-answers';
import { putOldLineAway } from './old-line';
import { writeEvents } from './run-log';
import { replanSameKind } from './replan-same-kind';
import { settleRun } from './settle-run';
import { leavesBench } from './at-bench';
import { stateOfRun } from './state-of-run';
import { writeLayers } from './write-layers';

/**
 * Closes a run: settles from its log what most likely lies on the reel and writes the fill, the rack's moves, where the
 * old line went, what was learned of the reel, and the job's state in one transaction. Closing again gives the fill there
 * is. Readings that contradict each other have to be answered first.
 */
export async function closeRun(context: ServerContext, person: Person, runId: number): Promise<Fill> {
  const { fillId, jobId, fresh } = await unit(context, person, async (u) => {
    const run = await u.tables.runs.lock(runId);
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    if (run.state === 'given-up')
      throw new ProblemError('already-closed', 'This run was given up. Nothing was filled in it.');
    const there = await u.tables.fills.findOne({ where: { runId, takenBackAt: null } });
    return { fillId: there?.id ?? (await write(u, run)), jobId: run.jobId, fresh: !there };
  });
  // A change of its own: whatever the waiting reels come to, this one is filled, and their plans hold as they are.
  if (fresh)
    context.behind.start('the waiting reels of its kind were not planned again', () =>
      replanSameKind(context, person, jobId),
    );
  return readFill(context, fillId);
}

async function write(u: Unit, run: RunRow): Promise<number> {
  const { tables, clock } = u;
  const job = await readJob(u, run.jobId);
  const { facts, state } = await stateOfRun(u, run);
  if (state.current)
    throw new ProblemError('not-finished', 'There are steps left to do before this reel can be closed.');
  const { settled, depths, lesson } = await settleRun(u, job, facts, state);
  if (settled.question) throw new ProblemError('readings-contradict', settled.question.sentence);
  const lies = finalFill(
    facts,
    settled.spool,
    settled.layers.map((layer) => ({
      ...layer,
      length: layer.length.value,
      handleTurns: layer.handleTurns.value,
    })),
  );
  const at = clock();
  const row = await tables.jobs.lock(job.id);
  if (!row) throw new Error(`Run ${String(run.id)} has no job.`);
  const before = await lyingBefore(u, row.spoolId, facts, state);
  const fill = await tables.fills.create({
    runId: run.id,
    spoolId: row.spoolId,
    closedAt: at,
    byId: u.actor.id,
    gapRead: gapAsRead(facts, state)?.toFixed(3) ?? null,
    gapByCount: lies.at(-1)?.depthAfter ?? 0,
    spool: settled.spool.spool,
    depths,
    lesson,
    counter: counterOf(job, facts, state),
    laid: laidBelow(job.planInput, facts, state),
    lineSince: before.use?.since ?? null,
  });
  await writeLayers(u, { fillId: fill.id, run, job, lies, settled, state, facts, before });
  await noteUse(u, fill.id, before);
  await noteGiven(u, row.spoolId, before, turnedMetres(facts, state, lies));
  await noteWhatIsOn(u, row.spoolId);
  await u.happened.renamed('note', [fill.id]);
  await putOldLineAway(u, run, { tag: job.tag, bagId: row.bagId }, state);
  await rememberSeat(u, job, state);
  await keepAnswers(u, { run, job, bagId: row.bagId, facts, state, settled });
  await u.happened.fillsChanged();
  await writeEvents(u, run.id, state.seq, [{ kind: 'closed', at, payload: {} }]);
  await tables.runs.change(run, { state: 'closed', closedAt: at });
  await leavesBench(u, run.id, run.benchId);
  await tables.jobs.change(row, { state: 'to-check' });
  await noteChange(u, row.bagId, `${job.tag} was filled`);
  await mustBeReadable(u, fill.id);
  return fill.id;
}

/** Metres that came off a spool of the reel's own. */
const turnedMetres = (
  { request }: RunFacts,
  { supplies }: RunState,
  lies: readonly { readonly id: string; readonly length: number }[],
): number =>
  request.layers
    .filter(({ id, kind }) => kind === 'line' && supplies[id]?.way === 'reverse')
    .reduce((sum, { id }) => sum + (lies.find((lay) => lay.id === id)?.length ?? 0), 0);

/** The most a layer of any reel is long, mm. */
const MOST_MM = 20_000_000;

/** What cannot be read again is not kept: whatever was counted, the books stay readable. */
async function mustBeReadable(u: Unit, fillId: number): Promise<void> {
  const read = v.safeParse(FillSchema, await readFill(u, fillId));
  if (!read.success || read.output.layers.some(({ lengthMm }) => lengthMm > MOST_MM))
    throw new ProblemError(
      'bad-request',
      'What was counted comes to figures no reel can have. Step back and put the count right; nothing was closed.',
    );
}

/** How its counter was set up, where it was walked. */
function counterOf({ planInput }: Job, facts: RunFacts, state: RunState): RecordedMatch | null {
  if (state.walks.length === 0) return null;
  const under = runUnderWay(planInput, facts, state);
  return under && recordedMatch(facts, under, state, planInput.beliefs?.counter);
}

/** Whether a washer moved this reel's lay the other way: two looks at one lay with a washer between them tell. */
async function rememberSeat({ tables }: Unit, { tag, planInput }: Job, { lays }: RunState): Promise<void> {
  const [before, after] = lays.slice(-2);
  const reel = await tables.reels.findOne({ where: { tag } });
  if (!before || !after || !reel || before.did === 'leave') return;
  const layer = planInput.request.layers.find(({ id }) => id === after.layer);
  const diameter = layer?.kind === 'line' ? layer.line.diameter : 0.3;
  const { seatReversed } = layAdvice(
    after,
    diameter,
    { washers: 'at-the-bench' },
    {
      before: { reading: before, action: before.did },
      seatReversed: reel.seatReversed,
    },
  );
  await tables.reels.change(reel, { seatReversed });
}
