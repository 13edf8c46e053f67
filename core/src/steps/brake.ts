import { message } from '../words/message';
import { onlyIf, says, type BenchStep } from './bench-step';
import { check } from './step-field';

/** A spool that turns in the cast. */
export const brake: BenchStep = {
  when: ({ type }) => onlyIf(type === 'baitcaster', 'optional'),
  words: says(
    'Cast brake',
    message('step.brake', { weight: { g: 14 }, fall: { m: 0.3 } }),
    'The spool stops when the weight lands: no overrun.',
  ),
  fields: [check('falls', 'Falls slowly, no overrun')],
};
