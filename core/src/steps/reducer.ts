import { onlyIf, says, type BenchStep } from './bench-step';
import { quantity } from './step-field';

/** A reducer goes on the arbor before anything else. */
export const reducer: BenchStep = {
  when: ({ reducer: has }) => onlyIf(has),
  words: says(
    'Put the reducer on',
    'Push the reducer on to the arbor until it sits at both ends, and measure across it.',
    'It does not turn on the arbor, and leaves no edge the line could slip under.',
    'spool-off',
  ),
  fields: [quantity('diameter', 'Diameter over it', 'small-length', [4, 240])],
};
