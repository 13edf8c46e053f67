import type { Override, Person } from '@yard-spool/contract';
import type { HouseRules } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { noteChange } from '../bags/history';
import type { House } from '../house';
import { readHouseRules } from './read-house-rules';
import { openReels } from './open-reels';
import { listOverrides } from './list-overrides';

/**
 * Plans every waiting reel again whose gap is the house's, after its rules changed; a plan that cannot follow stays and
 * its bag says why.
 *
 * @param before the house's rules as they were
 * @param overridesBefore what was set otherwise, where that is what changed
 */
export async function planAgain(
  house: House,
  person: Person,
  before: HouseRules,
  transaction: Transaction,
  overridesBefore?: readonly Override[],
): Promise<void> {
  const { rules, tailMm } = await readHouseRules(house, transaction);
  const overrides = await listOverrides(house, transaction);
  const turned = [
    { rules: before, overrides: overridesBefore ?? overrides },
    { rules, overrides },
  ] as const;
  const { tables } = house;
  for (const { job, shown, replanned, stays } of await openReels(house, turned, tailMm, transaction)) {
    if (!replanned && stays === '') continue;
    if (replanned) {
      await job.update(replanned, { transaction });
      for (const { id, length } of replanned.plan.layers)
        await tables.cuts.update(
          { lengthMm: Math.round(length.value * 1000) },
          { where: { jobId: job.id, layer: id }, transaction },
        );
    }
    const what = replanned
      ? `${shown.tag} planned again: the house now leaves ${(replanned.planInput.request.gap ?? 0).toFixed(1)} mm`
      : `${shown.tag} stays as planned though the house rule changed: ${stays}`;
    await tables.bags.increment('version', { where: { id: job.bagId }, transaction });
    await noteChange(house, person, job.bagId, what.slice(0, 300), transaction);
  }
}
