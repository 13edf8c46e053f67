import { planCuts, type CutPlan, type Solve, type Stock } from '@yard-spool/core';
import { task } from '../work/task';

/** What a worker looks for the best cuts of. */
export interface CutsToFind {
  readonly stock: Stock;
  /** The longest it may take, ms. */
  readonly within: number;
}

export const FIND_CUTS = task<typeof findCuts>('find-cuts');

/** Loaded once a worker is asked for cuts: it is as large as all else. */
let solver: Promise<Solve> | null = null;

export async function findCuts({ stock, within }: CutsToFind): Promise<CutPlan> {
  solver ??= import('@yard-spool/core/solver').then(({ highsSolver }) => highsSolver());
  return planCuts(stock, await solver, { withinMs: within, now: () => performance.now() });
}
