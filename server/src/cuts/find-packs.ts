import { orderPacks, type PackSize, type PacksToOrder } from '@yard-spool/core';
import { task } from '../work/task';
import { solverHere } from './solver-here';

/** The longest one line is looked at, ms. */
const WITHIN = 300;

/** What one line needs, and the sizes it was bought in. */
interface PacksAsked {
  readonly sizes: readonly PackSize[];
  readonly neededMm: number;
  readonly longestMm: number;
}

export const FIND_PACKS = task<typeof findPacks>('find-packs');

export async function findPacks(lines: readonly PacksAsked[]): Promise<(PacksToOrder | null)[]> {
  const solve = await solverHere();
  return lines.map(({ sizes, ...needed }) => orderPacks(sizes, needed, solve, WITHIN));
}
