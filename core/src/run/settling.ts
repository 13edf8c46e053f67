/** What is wrong where the readings of a fill contradict each other. */
export type SettlingCause =
  /** The gear ratio, or the counter's step, by one factor for all turns counted. */
  | 'gear'
  /** The count of one layer. */
  | 'count'
  /** A depth was misread. */
  | 'depth'
  /** Wound looser, or tighter, than usual. */
  | 'packing'
  /** Another line than was said. */
  | 'line'
  /** The piece held another length than the books said. */
  | 'piece'
  /** The line meter's scale. */
  | 'meter'
  /** Nothing is: all of it stands as it was read. */
  | 'none';

/** An answer to a contradiction: what is wrong, and which layer, depth or piece it is about. */
export interface Settling {
  readonly cause: SettlingCause;
  /** Layer id, or the place of a depth among those read; empty where it is about all of them. */
  readonly about: string;
}
