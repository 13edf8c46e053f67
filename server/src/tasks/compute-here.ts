import { computeBy } from '../work/in-worker';
import { WORKS } from './tasks';

/** Computes everything in this thread from now on: for a program that serves nobody, as one that loads a scenario. */
export const computeHere = (): void => computeBy(WORKS);
