import { always, type BenchStep } from './bench-step';

/** The first knot. */
export const tieOn: BenchStep = {
  when: always,
  words: ({ type }) => ({
    name: 'Tie on, drag tight',
    todo: `Arbor knot, trimmed close and covered.${type === 'fixed-spool' ? ' Bail shut.' : ''} Drag tight, or the spool slips while it fills.`,
    look: 'Pull: nothing slips round the arbor.',
    cautions: ['cut'],
  }),
};
