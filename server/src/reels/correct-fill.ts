import type { CorrectFill, Person, Reel } from '@yard-spool/contract';
import { type Correction, foldRun, runFacts } from '@yard-spool/core';
import { readJob } from '../bags/bags';
import { RUN_STATES } from '../bench/held-state';
import { lastPlace, readLog, writeEvents } from '../bench/run-log';
import { settleRun } from '../bench/settle-run';
import type { ServerContext } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { correctLength } from './correct-length';
import { correctPiece } from './correct-piece';
import { correctGap, correctNote, type Correcting } from './correcting';
import { readFill } from '../record/fills';
import { tagOfFill } from './mark-fill';
import { layersOfFills, noteWhatIsOn } from '../record/on-spool';
import { readReel } from './reels';

/**
 * Puts a wrong entry of a closed record right, in place: the fill, the rack's ledger and what was learned follow; the log
 * gets a line with what it was and why, and the fill as it was is kept.
 */
export async function correctFill(
  context: ServerContext,
  person: Person,
  fillId: number,
  asked: CorrectFill,
): Promise<Reel> {
  const tag = await unit(context, person, async (u) => {
    const { tables } = u;
    const there = await tables.fills.findByPk(fillId);
    // The run first, as everything that writes to its log.
    const run = there && (await tables.runs.lock(there.runId));
    const fill = await tables.fills.lock(fillId);
    if (!run || !fill || fill.takenBackAt || run.state !== 'closed')
      throw new ProblemError('not-found', 'This fill was opened again. Put it right at the bench.');
    const was = await readFill(u, fillId);
    const correcting = { u, run, fill, layers: await layersOfFills(u, [fillId]), asked };
    const before = await CORRECT[asked.what](correcting);
    if (before === asked.is)
      throw new ProblemError('bad-request', 'That is what it says already. Nothing was changed.');
    const seq = await lastPlace(u, run.id);
    const payload: Correction = { ...asked, was: before };
    await writeEvents(u, run.id, seq, [{ kind: 'corrected', payload }]);
    u.held.of(RUN_STATES).delete(run.id);
    await tables.fillVersions.create({ fillId, at: u.clock(), byId: u.actor.id, why: asked.why, was });
    if (asked.what === 'gap') await teachAgain(correcting);
    await noteWhatIsOn(u, fill.spoolId);
    await u.happened.renamed('note', [fillId]);
    return tagOfFill(u, fill.spoolId);
  });
  return readReel(context, tag);
}

/** Makes each kind of correction; gives what it was. */
const CORRECT: Readonly<Record<CorrectFill['what'], (correcting: Correcting) => Promise<Correction['was']>>> =
  {
    gap: correctGap,
    length: correctLength,
    piece: correctPiece,
    note: correctNote,
  };

/** What was learned from the gap as it was read, learned again from what it was. */
async function teachAgain({ u, run, fill }: Correcting): Promise<void> {
  const job = await readJob(u, run.jobId);
  const facts = runFacts({ job, under: run.madeUnder });
  const state = foldRun(facts, await readLog(u, run.id));
  const { depths, lesson } = await settleRun(u, job, facts, state);
  await u.tables.fills.change(fill, { depths, lesson });
  await u.happened.fillsChanged();
}
