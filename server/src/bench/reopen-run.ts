import type { Person, Run } from '@yard-spool/contract';
import { noteChange } from '../history/bag-history';
import { mustNotWait } from '../bags/reel-for';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { noteWhatIsOn } from '../record/on-spool';
import { ProblemError } from '../problem-error';
import { addMoves, lockPiece } from '../rack/move';
import { readJob } from '../bags/bags';
import { forgetAnswers } from './keep-answers';
import { lastPlace, writeEvents } from './run-log';
import { readRun } from './runs';
import { standsAt } from './at-bench';

/**
 * Opens a closed run again, with a reason: its fill is taken back, the line it drew is given back to each piece by moves
 * of its own, and the reel is on the bench again. A reel that was handed back is not on this bench any more.
 */
export async function reopenRun(
  context: ServerContext,
  person: Person,
  runId: number,
  why: string,
): Promise<Run> {
  await unit(context, person, async (u) => {
    const { tables } = u;
    const run = await tables.runs.lock(runId);
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    if (run.state === 'open') return;
    if (run.state === 'given-up')
      throw new ProblemError('already-closed', 'This run was given up. Send the reel to the bench again.');
    const job = await tables.jobs.lock(run.jobId);
    if (!job || job.state === 'handed-back')
      throw new ProblemError('already-closed', 'This reel was handed back. Book it in again to change it.');
    const seq = await lastPlace(u, runId);
    await giveBack(u, runId, why);
    // Booked again meanwhile, it would be in two bags: which of them it is for has to be said first.
    const spool = await tables.spools.lock(job.spoolId);
    const reel = spool && (await tables.reels.findByPk(spool.reelId));
    if (reel) await mustNotWait(u, spool.id, reel.tag);
    const fills = await tables.fills.findAll({ where: { runId, takenBackAt: null }, attributes: ['id'] });
    await tables.fills.changeAll({ takenBackAt: u.clock() }, { runId, takenBackAt: null });
    await u.happened.renamed(
      'note',
      fills.map(({ id }) => id),
    );
    await noteWhatIsOn(u, job.spoolId);
    await forgetAnswers(u, run, await readJob(u, run.jobId));
    await u.happened.fillsChanged();
    await writeEvents(u, runId, seq, [{ kind: 'reopened', payload: { why } }]);
    await tables.runs.change(run, { state: 'open', closedAt: null });
    await standsAt(u, runId, run.benchId);
    await tables.jobs.change(job, { state: 'on-the-bench' });
    await tables.bags.addOne('version', { id: job.bagId });
    await u.happened.readyChanged(job.bagId);
    await noteChange(u, job.bagId, `A filled reel was opened again: ${why}`);
  });
  return readRun(context, runId);
}

/** Gives each piece back what the run drew off it and has not given back before. */
async function giveBack(u: Unit, runId: number, why: string): Promise<void> {
  const moves = await u.tables.moves.findAll({ where: { runId }, order: ['id'] });
  const drawn = new Map<number, number>();
  for (const { pieceId, lengthMm } of moves) drawn.set(pieceId, (drawn.get(pieceId) ?? 0) + lengthMm);
  for (const [pieceId, lengthMm] of [...drawn].sort(([a], [b]) => a - b)) {
    if (lengthMm === 0) continue;
    const piece = await lockPiece(u, { id: pieceId });
    const move = {
      kind: 'taken-back' as const,
      lengthMm: -lengthMm,
      why: `opened again: ${why}`.slice(0, 200),
    };
    await addMoves(u, piece, [move], runId);
  }
}
