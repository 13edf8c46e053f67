import { onlyIf, type BenchStep } from './bench-step';

/** The last layer’s depth is the gap; a closed face is looked at under its cover. */
export const depth: BenchStep = {
  when: ({ last, type }) => onlyIf(!last && type !== 'spincast', 'optional'),
  words: ({ role }) => ({
    name: `Read ${role.toLowerCase()} depth`,
    todo: 'Hold the calliper across the lip and measure down to the line. One reading halves the uncertainty.',
    look: 'The middle of the spool, not an edge.',
    cautions: [],
  }),
};
