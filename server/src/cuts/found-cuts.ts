import { createHash } from 'node:crypto';
import type { JobCut, LevelGap } from '@yard-spool/core';
import type { GatheredCuts } from './gather-cuts';

/** A plan of cuts, and what it was made from. */
export interface FoundCuts {
  /** Of what it rests on: the same for all that is the same. */
  readonly key: string;
  readonly gathered: GatheredCuts;
  readonly cuts: readonly JobCut[];
  readonly open: readonly LevelGap[];
}

const hashOf = (of: unknown): string =>
  createHash('sha256').update(JSON.stringify(of)).digest('base64url').slice(0, 32);

export const keyFor = ({ stock, booked, coming }: GatheredCuts): string => hashOf([stock, booked, coming]);

/** By which a plan is accepted: of what it rests on, and of its cuts, so that nobody accepts what they did not see. */
export const revisionOf = ({ key, cuts }: FoundCuts): string => hashOf([key, cuts]);
