import type { BagRow, JobState } from '@yard-spool/contract';
import { isOver } from './job-state';

/** What is looked for among the bags; empty words and states leave everything in. */
export interface LookedFor {
  readonly find: string;
  readonly state: string;
}

/** Bags that hold every word typed, in number, customer, tag or reel, and have a reel in the state asked for. */
export function findBags(bags: readonly BagRow[], { find, state }: LookedFor): BagRow[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return bags.filter(({ number, customer, jobs }) => {
    const said = [`bag ${String(number)}`, customer, ...jobs.flatMap(({ tag, label }) => [tag, label])]
      .join(' ')
      .toLowerCase();
    const stands = state === '' || jobs.some((job) => job.state === (state as JobState));
    return stands && words.every((word) => said.includes(word));
  });
}

/** Bags as the counter goes through them: to fill, to hand back, and those that are over, latest first. */
export function groupBags(bags: readonly BagRow[]): { name: string; bags: readonly BagRow[] }[] {
  const over = (bag: BagRow): boolean => bag.jobs.every(({ state }) => isOver(state));
  const waiting = (bag: BagRow): boolean =>
    bag.jobs.some(({ state }) => state === 'booked' || state === 'on-the-bench');
  return [
    { name: 'To fill', bags: bags.filter((bag) => !over(bag) && waiting(bag)) },
    { name: 'To check and hand back', bags: bags.filter((bag) => !over(bag) && !waiting(bag)) },
    { name: 'Over', bags: bags.filter(over).reverse() },
  ].filter((group) => group.bags.length > 0);
}
