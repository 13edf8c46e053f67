import type { RunFold } from '@yard-spool/core';

/** An open run as it was folded last: where its log stood then, and by which event that is known again. */
export interface KeptState {
  readonly fold: RunFold;
  /** The event folded last; the log is folded again from the start where it is no longer at its place. */
  last: { readonly seq: number; readonly id: string };
}
