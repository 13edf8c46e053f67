/** Types of reel that are filled in different ways. */
export type ReelType = 'fixed-spool' | 'baitcaster' | 'spincast' | 'trolling' | 'big-game';
