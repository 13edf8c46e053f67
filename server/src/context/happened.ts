import type { Exception } from '@yard-spool/contract';
import type { HouseRules } from '@yard-spool/core';
import type { WordKind } from '../db/models/record';

/** The shop rules and the exceptions to them, at one moment. */
export interface Ruling {
  readonly rules: HouseRules;
  readonly exceptions: readonly Exception[];
}

/** A bench's counter, by the name it had and the one it has. */
export interface RenamedCounter {
  readonly benchId: number;
  readonly was: string;
  readonly is: string;
}

/**
 * What those who listen are told of what a change did, in the change itself: what they write is kept with it, or nothing
 * is. Whoever makes a change knows none of them; they are named where the server is put together.
 */
export interface Happened {
  /** Entries are new, or called something else. */
  readonly renamed: (kind: WordKind, ids: readonly number[]) => Promise<void>;
  /** A fill was closed, corrected or taken back. */
  readonly fillsChanged: () => Promise<void>;
  /** A bench's counter is called otherwise: the same device, at the same place. */
  readonly counterRenamed: (renamed: RenamedCounter) => Promise<void>;
  /** Reels of a bag may be done, or not done any more. */
  readonly readyChanged: (bagId: number) => Promise<void>;
  /** The rules are different from those that held before. */
  readonly rulesChanged: (before: Ruling) => Promise<void>;
}

const nobody = (): never => {
  throw new Error('This context changes nothing: nobody was named who listens.');
};

/** For a context that is only read from. */
export const nobodyListens = (): Happened => ({
  renamed: nobody,
  fillsChanged: nobody,
  counterRenamed: nobody,
  readyChanged: nobody,
  rulesChanged: nobody,
});
