import { onlyIf, says, type BenchStep } from './bench-step';
import { check } from './step-field';

/** A spool that turns in the cast. */
export const brake: BenchStep = {
  when: ({ type }) => onlyIf(type === 'baitcaster', 'optional'),
  words: says(
    'Cast brake',
    'Tighten until a 14 g weight falls at about 0.3 m a second.',
    'The spool stops when the weight lands: no overrun.',
  ),
  fields: [check('falls', 'Falls slowly, no overrun')],
};
