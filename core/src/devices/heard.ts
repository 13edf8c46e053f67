import type { Stood } from './winding-room';

/** What is known of a device from its lines. Times in ms. */
export interface Heard extends Stood {
  /** The last count that can have been wound; what comes later in doubt is held against it. */
  readonly sound: Stood;
  /** A line from before the last one: late, or the device began again. The next line tells. */
  readonly suspect: { readonly sequence: number; readonly at: number } | null;
  /** Why what it counts waits for an answer; null where it does not. */
  readonly doubt: 'restarted' | 'jumped' | null;
  /**
   * While in doubt, the count behind the last step that cannot have been wound: an answer about what was counted before it
   * does not settle it. Left out where it is the count itself.
   */
  readonly since?: number;
  /** Whether its lines began again: no later line puts that right. */
  readonly again?: boolean;
  /**
   * While in doubt, how far the log of its run went when it was asked about first: only what was added later can answer it.
   * Left out before.
   */
  readonly logged?: number;
}
