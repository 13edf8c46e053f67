import type { Learning } from '@yard-spool/contract';

/** How many fills something learned rests on. */
export const learnedWords = ({ fills }: Learning['kinds'][number]): string =>
  fills === 1 ? '1 fill' : `${String(fills)} fills`;

/** A share as people say it. */
export const percent = (share: number): string => `${(100 * share).toFixed(0)} %`;
