import { task } from '../work/task';
import type { weaknessOf } from './weakness';

/** Why a passcode would be guessed soon. Its lists of words are read by a worker once it is asked. */
export const WEAKNESS = task<typeof weaknessOf>('weakness');
