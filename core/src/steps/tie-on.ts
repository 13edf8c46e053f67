import { REEL_TRAITS } from '../lines/reel-type';
import { onlyIf, type BenchStep } from './bench-step';

/** The first knot; where old line stays on, the new one is joined to it instead. */
export const tieOn: BenchStep = {
  when: ({ kept }) => onlyIf(kept === null),
  words: ({ type }) => ({
    name: 'Tie on, drag tight',
    todo: `Arbor knot, trimmed close and covered.${REEL_TRAITS[type].openFace ? ' Bail shut.' : ''} Drag tight, or the spool slips while it fills.`,
    look: 'Pull: nothing slips round the arbor.',
    cautions: ['cut'],
  }),
};
