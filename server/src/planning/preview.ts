import type { Preview } from '@yard-spool/contract';
import type { HouseRules } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { readHouseRules } from '../shop/read-house-rules';
import { inWorker } from '../work/in-worker';
import { REPLAN, type Replanned } from './replan-waiting';
import { readWaiting } from './waiting-reels';
import { listExceptions } from '../house-rules/list-exceptions';

/** What other rules would change on the reels that wait, before anything is kept. */
export async function previewHouseRules(from: Reading, rules: HouseRules): Promise<Preview> {
  const [kept, exceptions, waiting, onTheBench] = await Promise.all([
    readHouseRules(from),
    listExceptions(from),
    readWaiting(from),
    from.tables.jobs.count({ where: { state: 'on-the-bench' } }),
  ]);
  const before = { rules: kept.rules, exceptions };
  const open = await inWorker(REPLAN, { waiting, before, after: { rules, exceptions } });
  const changed = open.filter(
    ({ advice, replanned, stays }) => advice.length > 0 || replanned !== null || stays !== '',
  );
  return {
    reels: changed.map((one) => ({
      ...one.reel.shown,
      advice: one.advice,
      plan: planChange(one),
      stays: one.stays,
    })),
    unchanged: open.length - changed.length,
    onTheBench,
  };
}

function planChange({ reel, replanned }: Replanned): Preview['reels'][number]['plan'] {
  if (!replanned) return null;
  return {
    gap: { was: reel.planInput.request.gap ?? 0, is: replanned.planInput.request.gap ?? 0 },
    layers: replanned.plan.layers.flatMap(({ id, request, length }) =>
      request.kind === 'line'
        ? [
            {
              role: request.role,
              was: reel.plan.layers.find((one) => one.id === id)?.length.value ?? 0,
              is: length.value,
            },
          ]
        : [],
    ),
  };
}
