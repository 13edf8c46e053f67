import type { Preview } from '@yard-spool/contract';
import type { HouseRules } from '@yard-spool/core';
import type { House } from '../house';
import { readHouseRules } from './read-house-rules';
import { openReels, type OpenReel } from './open-reels';
import { listOverrides } from './list-overrides';

/** What other rules would change on the reels that wait, before anything is kept. */
export async function previewHouseRules(house: House, rules: HouseRules): Promise<Preview> {
  const [kept, overrides, onTheBench] = await Promise.all([
    readHouseRules(house),
    listOverrides(house),
    house.tables.jobs.count({ where: { state: 'on-the-bench' } }),
  ]);
  const turned = [
    { rules: kept.rules, overrides },
    { rules, overrides },
  ] as const;
  const open = await openReels(house, turned, kept.tailMm);
  const changed = open.filter(
    ({ advice, replanned, stays }) => advice.length > 0 || replanned !== null || stays !== '',
  );
  return {
    reels: changed.map((reel) => ({
      ...reel.shown,
      advice: reel.advice,
      plan: planChange(reel),
      stays: reel.stays,
    })),
    unchanged: open.length - changed.length,
    onTheBench,
  };
}

function planChange({ job, replanned }: OpenReel): Preview['reels'][number]['plan'] {
  if (!replanned) return null;
  return {
    gap: { was: job.planInput.request.gap ?? 0, is: replanned.planInput.request.gap ?? 0 },
    layers: replanned.plan.layers.flatMap(({ id, request, length }) =>
      request.kind === 'line'
        ? [
            {
              role: request.role,
              was: job.plan.layers.find((one) => one.id === id)?.length.value ?? 0,
              is: length.value,
            },
          ]
        : [],
    ),
  };
}
