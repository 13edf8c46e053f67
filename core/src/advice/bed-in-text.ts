import type { ReelType } from '../lines/reel-type';

/** How a new fill is bedded in, as it is told to whoever takes the reel away. Common practice, no source. */
const BED_IN: Readonly<Record<ReelType, string>> = {
  'fixed-spool': 'To bed it in: short casts first, then longer ones, over damp ground or water.',
  baitcaster: 'To bed it in: short casts first with the cast brake up, then longer ones, and ease the brake.',
  spincast: 'To bed it in: short casts first, then longer ones.',
  trolling: 'To bed it in: let the line out slowly behind the boat once and wind it back under its pull.',
  'big-game':
    'To bed it in: let the line out behind the boat once and wind it back under drag, wearing a glove.',
};

/** What whoever takes a reel away is told: how to bed the line in, and how to store it. */
export const bedInText = (type: ReelType): string =>
  `${BED_IN[type]} Store it with the drag backed off. Guide running line, never grip it: it burns. ` +
  'The maker’s instructions for the reel come first.';
