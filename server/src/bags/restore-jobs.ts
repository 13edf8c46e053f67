import type { Bag, Person, RestoreJobs } from '@yard-spool/contract';
import type { ServerContext, Unit } from '../context/context';
import { ProblemError } from '../problem-error';
import { lockPiece } from '../rack/move';
import { onePiece } from '../rack/rack';
import { changing } from './change-bag';

/**
 * Books cancelled reels again as they were, where their line is still to be had: it was free for others meanwhile.
 *
 * @throws ProblemError already-closed where one of them is not cancelled, not-found where its piece is gone,
 *   not-enough-line where others were promised too much of it
 */
export const restoreJobs = (
  context: ServerContext,
  person: Person,
  bagId: number,
  { version, jobs: ids }: RestoreJobs,
): Promise<Bag> =>
  changing(context, person, bagId, { version }, async (u) => {
    const jobs = await u.tables.jobs.lockAll({ where: { id: ids, bagId }, order: ['id'] });
    if (jobs.length < ids.length || jobs.some(({ state }) => state !== 'cancelled'))
      throw new ProblemError('already-closed', 'These reels are not cancelled: there is nothing to undo.');
    await lineIsThere(u, ids);
    for (const job of jobs) await u.tables.jobs.change(job, { state: 'booked' });
    return 'Booked again, as it was';
  });

async function lineIsThere(u: Unit, jobId: readonly number[]): Promise<void> {
  const cuts = await u.tables.cuts.findAll({ where: { jobId: [...jobId] } });
  const wanted = new Map<number, number>();
  for (const { pieceId, lengthMm, tailMm } of cuts)
    if (pieceId !== null) wanted.set(pieceId, (wanted.get(pieceId) ?? 0) + lengthMm + tailMm);
  for (const [id, mm] of [...wanted].sort(([a], [b]) => a - b)) {
    await lockPiece(u, { id });
    const { code, lengthMm, promisedMm } = await onePiece(u, { id });
    if (lengthMm - promisedMm < mm)
      throw new ProblemError(
        'not-enough-line',
        `Line of ${code} was promised to other reels meanwhile. Book this one in again.`,
      );
  }
}
