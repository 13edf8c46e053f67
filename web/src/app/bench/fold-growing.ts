import { beginFold, foldOn, stateOf, type RunEvent, type RunFacts, type RunFold } from '@yard-spool/core';

/**
 * Folds a log that mostly grows: where it begins with what was folded last, only the rest is folded; else, where what
 * waited here was put behind something heard, all of it.
 */
export class GrowingFold {
  private fold: RunFold | null = null;
  private at = 0;
  private last: RunEvent | undefined;

  /** The fold of a log, ready for its state to be looked at. */
  of(facts: RunFacts, log: readonly RunEvent[]): RunFold {
    const goesOn = this.fold?.facts === facts && log.length >= this.at && log[this.at - 1] === this.last;
    if (!this.fold || !goesOn) {
      this.fold = beginFold(facts);
      this.at = 0;
    }
    foldOn(this.fold, log.slice(this.at));
    this.at = log.length;
    this.last = log.at(-1);
    return this.fold;
  }

  state(facts: RunFacts, log: readonly RunEvent[]): ReturnType<typeof stateOf> {
    return stateOf(this.of(facts, log));
  }
}
