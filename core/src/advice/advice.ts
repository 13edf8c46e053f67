import type { Words } from '../words/message';

/** One piece of advice: what to do, why, and the caution that goes with it where it can hurt someone. */
export interface Advice {
  readonly sentence: Words;
  readonly why: string;
  readonly caution?: string;
}

/** Advice that holds no figure. */
export interface PlainAdvice extends Advice {
  readonly sentence: string;
}
