import type { LeastSquaresFit } from '../numeric/least-squares';
import type { Settling } from '../run/settling';
import type { SettleProblem } from './settle-problem';

/** A solution of one set of settlings. */
export interface Solved {
  readonly problem: SettleProblem;
  readonly fit: LeastSquaresFit;
}

/** A cause, with the fill as it would be. */
export interface Cause {
  readonly settling: Settling;
  readonly solved: Solved;
}
