import type { BagInHand } from '@yard-spool/contract';
import { spanText } from '@yard-spool/core';

/** How a bag stands to its promise: late as things go, in time but not nine times in ten, or in time. */
export type HandState = 'late' | 'unsure' | 'fine';

/** A bag's time in hand: what lies between when it is ready and when it was promised, minutes. */
export interface InHand {
  readonly usually: number;
  /** Nine times in ten at least. */
  readonly surely: number;
  readonly state: HandState;
  /** `2 h 20 min`, or `1 h late`. */
  readonly words: string;
}

/** Half a minute over is in time: nobody reads a clock closer. */
const HALF = 0.5;

export function inHand({ promisedAt, endAt, surelyAt }: BagInHand): InHand {
  const until = (iso: string): number => (Date.parse(promisedAt) - Date.parse(iso)) / 60_000;
  const usually = until(endAt);
  const surely = until(surelyAt);
  const state = usually < -HALF ? 'late' : surely < 0 ? 'unsure' : 'fine';
  return {
    usually,
    surely,
    state,
    words: state === 'late' ? `${spanText(usually)} late` : spanText(usually),
  };
}
