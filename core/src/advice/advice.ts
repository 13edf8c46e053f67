/** One piece of advice: what to do, why, and the caution that goes with it where it can hurt someone. */
export interface Advice {
  readonly sentence: string;
  readonly why: string;
  readonly caution?: string;
}
