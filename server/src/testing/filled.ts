import type { Bag, Fill, Run } from '@yard-spool/contract';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from './bookings';
import type { Ask } from './rack';
import type { TestShop } from './test-shop';

interface Asked {
  /** Of the booking, and of its one reel. */
  readonly bag?: object;
  readonly reel?: object;
  /** What happens before the steps are gone through. */
  readonly first?: readonly { readonly kind: string; readonly payload: object }[];
}

/** A reel booked, filled whole off two pieces of its own, and handed back. */
export async function filledReel(
  shop: TestShop,
  ask: Ask,
  prefix: string,
  { bag = {}, reel = {}, first = [] }: Asked = {},
): Promise<[Run, Fill]> {
  const asked = booking(await receiveTwo(ask, 900, prefix), bag);
  const jobs = asked.jobs.map((job) => ({ ...job, ...reel }));
  const { body: booked } = await ask<Bag>('POST', '/bags', { ...asked, jobs });
  const { body: run } = await ask<Run>('POST', '/runs', { jobId: booked.jobs[0]!.id, benchId: FIRST_BENCH });
  await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, [...first, ...wholeFill()]) });
  const { body: fill } = await ask<Fill>('POST', `/runs/${run.id}/close`, {});
  await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'handed-back' }, { id: run.job.id }));
  return [run, fill];
}
