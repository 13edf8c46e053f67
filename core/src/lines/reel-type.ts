/** Types of reel that are filled in different ways. */
export type ReelType = 'fixed-spool' | 'baitcaster' | 'spincast' | 'trolling' | 'big-game';

/**
 * Turns of spool or rotor to one of the handle, of an ordinary reel of each type: what is taken where nobody read the gear,
 * and said to be taken. From memory.
 */
export const USUAL_GEAR: Readonly<Record<ReelType, number>> = {
  'fixed-spool': 5.2,
  baitcaster: 6.4,
  spincast: 4.1,
  trolling: 4.2,
  'big-game': 2.8,
};
