import type { RunEvent } from '@yard-spool/core';

/** An event the server has not confirmed. */
export interface Waiting {
  readonly event: RunEvent;
  /** Its order among all that wait on this machine. */
  readonly place: number;
  /** Why the server does not take it, in its words; empty while it may. */
  readonly refused: string;
}
