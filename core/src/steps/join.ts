import { joinAdvice } from '../advice/knot-advice';
import { onlyIf, type BenchStep } from './bench-step';
import { isSplice } from './splice';
import { check } from './step-field';

/** Two lines tied together. */
export const join: BenchStep = {
  when: (at) => onlyIf(at.below !== null && !isSplice(at)),
  words: ({ rules, line, below, kept }) => ({
    name: kept !== null && below === kept ? 'Join to the old line' : 'Join',
    todo: line && below ? joinAdvice(below, line, rules).sentence : 'Tie the two lines together.',
    look: 'The join should sit mid-width: strip and wind until it does.',
    cautions: ['cut'],
  }),
  fields: [check('middle', 'It sits mid-width')],
};
