import type { Person } from '@yard-spool/contract';
import type { RunFold } from '@yard-spool/core';
import type { Held } from '../context/held';

/** An open run as it was folded last: where its log stood then, and by which event that is known again. */
export interface HeldState {
  readonly fold: RunFold;
  /** The event folded last; the log is folded again from the start where it is no longer at its place. */
  last: LastEvent;
}

/** The last event of a log: its place, by which it is known, and whose it is; at place 0 before the first. */
export interface LastEvent {
  readonly seq: number;
  readonly id: string;
  readonly author: Pick<Person, 'id' | 'name'> | null;
}

/** Open runs as they were folded last, by their numbers. */
export const RUN_STATES: Held<Map<number, HeldState>> = {
  make: () => new Map(),
  forget: (states) => states.clear(),
};
