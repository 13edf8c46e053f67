import type { JobCut, LevelGap } from '@yard-spool/core';
import type { GatheredCuts } from './gather-cuts';

/** A plan of cuts, and what it was made from. */
export interface FoundCuts {
  /** By which it is known: the same for all that is the same. */
  readonly key: string;
  readonly gathered: GatheredCuts;
  readonly cuts: readonly JobCut[];
  readonly open: readonly LevelGap[];
}
