import type { Person, Run } from '@yard-spool/contract';
import { noteChange } from '../bags/history';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { learnAgain } from '../learning/learning';
import { ProblemError } from '../problem-error';
import { addMoves, lockPiece } from '../rack/move';
import { readRun } from './runs';

/**
 * Opens a closed run again, with a reason: its fill is taken back, the line it drew is given back to each piece by moves
 * of its own, and the reel is on the bench again. A reel that was handed back is not on this bench any more.
 */
export async function reopenRun(house: House, person: Person, runId: number, why: string): Promise<Run> {
  const { tables, clock } = house;
  await inTransaction(house.sequelize, async (transaction) => {
    const lock = transaction.LOCK.UPDATE;
    const run = await tables.runs.findByPk(runId, { transaction, lock });
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    if (run.state === 'open') return;
    const job = await tables.jobs.findByPk(run.jobId, { transaction, lock });
    if (!job || job.state === 'handed-back')
      throw new ProblemError('already-closed', 'This reel was handed back. Book it in again to change it.');
    await giveBack(house, person, runId, why, transaction);
    const at = clock();
    await tables.fills.update({ takenBackAt: at }, { where: { runId, takenBackAt: null }, transaction });
    await learnAgain(house, transaction);
    const seq = Number((await tables.runEvents.max('seq', { where: { runId }, transaction })) ?? 0) + 1;
    const event = { id: crypto.randomUUID(), runId, seq, kind: 'reopened', payload: { why } } as const;
    await tables.runEvents.create({ ...event, at, byId: person.id }, { transaction });
    await run.update({ state: 'open', closedAt: null }, { transaction });
    await job.update({ state: 'on-the-bench' }, { transaction });
    await tables.bags.increment('version', { where: { id: job.bagId }, transaction });
    await noteChange(house, person, job.bagId, `A filled reel was opened again: ${why}`, transaction);
  });
  house.bell.emit(`run:${String(runId)}`);
  return readRun(house, runId);
}

/** Gives each piece back what the run drew off it and has not given back before. */
async function giveBack(
  house: House,
  person: Person,
  runId: number,
  why: string,
  transaction: Parameters<typeof lockPiece>[2],
): Promise<void> {
  const moves = await house.tables.moves.findAll({ where: { runId }, order: ['id'], transaction });
  const drawn = new Map<number, number>();
  for (const { pieceId, lengthMm } of moves) drawn.set(pieceId, (drawn.get(pieceId) ?? 0) + lengthMm);
  for (const [pieceId, lengthMm] of [...drawn].sort(([a], [b]) => a - b)) {
    if (lengthMm === 0) continue;
    const piece = await lockPiece(house, { id: pieceId }, transaction);
    const move = {
      kind: 'taken-back' as const,
      lengthMm: -lengthMm,
      why: `opened again: ${why}`.slice(0, 200),
    };
    await addMoves(house, person, piece, [move], { transaction, runId });
  }
}
