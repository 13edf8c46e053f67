import { planCuts, type CutPlan, type Stock } from '@yard-spool/core';
import { task } from '../work/task';
import { solverHere } from './solver-here';

/** What a worker looks for the best cuts of. */
export interface CutsToFind {
  readonly stock: Stock;
  /** The longest it may take, ms. */
  readonly within: number;
}

export const FIND_CUTS = task<typeof findCuts>('find-cuts');

export async function findCuts({ stock, within }: CutsToFind): Promise<CutPlan> {
  return planCuts(stock, await solverHere(), { withinMs: within, now: () => performance.now() });
}
