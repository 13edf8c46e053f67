import type { Solve } from '@yard-spool/core';

let solver: Promise<Solve> | null = null;

/** The solver of this worker: loaded once it is asked for, since it is as large as all else. */
export const solverHere = (): Promise<Solve> =>
  (solver ??= import('@yard-spool/core/solver').then(({ highsSolver }) => highsSolver()));
