import type { Unit } from '../context/context';
import type { Ruling } from '../context/happened';
import { message } from '@yard-spool/core';
import { noteChange } from '../history/bag-history';
import type { JobRow } from '../db/models/bags';
import { inWorker } from '../work/in-worker';
import { rulingNow } from '../house-rules/ruling';
import { REPLAN, type Replanned } from './replan-waiting';
import type { PlannedAgain } from './try-plan';
import { lockWaiting } from './waiting-reels';

/**
 * Plans every waiting reel again whose gap is the house's, after its rules changed; a plan that cannot follow stays and
 * its bag says why. Everything it plans from is locked first, so that nobody promises the same line meanwhile.
 *
 * @param before what held before the change
 */
export async function planAgain(u: Unit, before: Ruling): Promise<void> {
  const { jobs, ...waiting } = await lockWaiting(u);
  if (jobs.length === 0) return;
  const replanned = await inWorker(REPLAN, { waiting, before, after: await rulingNow(u) });
  for (const one of replanned) {
    const job = jobs.find(({ id }) => id === one.reel.shown.jobId);
    if (job) await keep(u, job, one);
  }
}

/** Writes a plan made again, and what it promises now. */
export async function keepPlan(
  { tables }: Unit,
  job: JobRow,
  { planInput, plan, cuts }: PlannedAgain,
): Promise<void> {
  await tables.jobs.change(job, { planInput, plan });
  for (const { layer, nth, lengthMm, tailMm } of cuts)
    await tables.cuts.changeAll({ lengthMm, tailMm }, { jobId: job.id, layer, nth });
}

async function keep(u: Unit, job: JobRow, { reel, replanned, stays }: Replanned): Promise<void> {
  if (!replanned && stays === '') return;
  if (replanned) await keepPlan(u, job, replanned);
  const { tag } = reel.shown;
  const what = replanned
    ? message('bag.gap-by-rule', { tag, gap: { mm: replanned.planInput.request.gap ?? 0 } })
    : message('bag.stays', { tag, why: stays });
  await u.tables.bags.addOne('version', { id: job.bagId });
  await noteChange(u, job.bagId, what);
}
