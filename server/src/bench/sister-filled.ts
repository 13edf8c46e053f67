import type { Job, Run } from '@yard-spool/contract';
import { kindKey } from '@yard-spool/core';
import { Op } from 'sequelize';
import type { Reading } from '../context/context';
import { newestOf } from '../context/newest-of';

/**
 * A reel of the same kind in the same bag that was filled before: the turns its layers took, of its spool, so that they can
 * be told in whatever is counted here. Null where there is none; layers of another line are left out.
 */
export async function sisterFilled(from: Reading, bagId: number, job: Job): Promise<Run['sister']> {
  const { tables } = from;
  const others = await tables.jobs.findAll({
    where: { bagId, id: { [Op.ne]: job.id } },
    ...newestOf('bag_id'),
  });
  for (const other of others) {
    const run = await tables.runs.findOne({ where: { jobId: other.id, state: 'closed' } });
    const fill = run && (await tables.fills.findOne({ where: { runId: run.id, takenBackAt: null } }));
    const spool = await tables.spools.findByPk(other.spoolId);
    const reel = spool && (await tables.reels.findByPk(spool.reelId));
    if (!fill || !reel || kindKey(reel) !== kindKey(job) || other.wants.mainFirst) continue;
    const layers = await tables.fillLayers.findAll({ where: { fillId: fill.id }, order: ['position'] });
    const same = layers.filter(({ layer, line }) =>
      job.planInput.request.layers.some(
        (one) => one.kind === 'line' && one.id === layer && one.line.key === line.key,
      ),
    );
    if (same.length === 0) continue;
    const { gear } = other.planInput.request;
    return {
      tag: reel.tag,
      gap: fill.gapRead === null ? null : Number(fill.gapRead),
      layers: same.map(({ layer, handleTurns }) => ({ layer, spoolTurns: handleTurns * gear })),
    };
  }
  return null;
}
