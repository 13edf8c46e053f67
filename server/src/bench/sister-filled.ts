import type { Job, Run } from '@yard-spool/contract';
import { kindKey, type PlanInput, type ReelType } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { REEL_OF_JOB } from '../db/joins';
import { parsed } from '../db/parsed';

interface FilledRow {
  readonly fillId: number;
  readonly tag: string;
  readonly type: ReelType;
  readonly label: string;
  readonly gapRead: string | null;
  readonly planInput: PlanInput;
  readonly wants: Job['wants'];
}

/**
 * A reel of the same kind in the same bag that was filled before: the turns its layers took, of its spool, so that they can
 * be told in whatever is counted here. Null where there is none; layers of another line are left out. Two questions, however
 * many reels are in the bag.
 */
export async function sisterFilled(from: Reading, bagId: number, job: Job): Promise<Run['sister']> {
  const rows = await from.query<FilledRow>(
    `SELECT fills.id AS fillId, reels.tag, reels.type, reels.label, fills.gap_read AS gapRead,
       jobs.plan_input AS planInput, jobs.wants
     FROM jobs FORCE INDEX (bag_id) JOIN runs ON runs.job_id = jobs.id AND runs.state = 'closed'
       JOIN fills ON fills.run_id = runs.id AND fills.taken_back_at IS NULL ${REEL_OF_JOB}
     WHERE jobs.bag_id = :bagId AND jobs.id <> :id ORDER BY jobs.id DESC`,
    { bagId, id: job.id },
  );
  const alike = rows.filter((row) => kindKey(row) === kindKey(job) && !parsed(row.wants).mainFirst);
  if (alike.length === 0) return null;
  const layers = await from.tables.fillLayers.findAll({
    where: { fillId: alike.map(({ fillId }) => fillId) },
    order: ['position'],
  });
  for (const { fillId, tag, gapRead, planInput } of alike) {
    const same = layers.filter(
      (lies) =>
        lies.fillId === fillId &&
        job.planInput.request.layers.some(
          (one) => one.kind === 'line' && one.id === lies.layer && one.line.key === lies.line.key,
        ),
    );
    if (same.length === 0) continue;
    const { gear } = parsed(planInput).request;
    return {
      tag,
      gap: gapRead === null ? null : Number(gapRead),
      layers: same.map(({ layer, handleTurns }) => ({ layer, spoolTurns: handleTurns * gear })),
    };
  }
  return null;
}
