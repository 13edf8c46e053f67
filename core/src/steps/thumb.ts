import { onlyIf, says, type BenchStep } from './bench-step';
import { choice } from './step-field';

/** A spool that is held with the thumb. */
export const thumb: BenchStep = {
  when: ({ type }) => onlyIf(type === 'baitcaster', 'optional'),
  words: says(
    'Thumb test',
    'Lay the thumb on the line: it should meet line before metal, and hold the spool still.',
    'Feels metal: add line. Cannot hold it: too full.',
  ),
  fields: [choice('level', 'The thumb says', { right: 'Right', low: 'Feels metal', full: 'Cannot hold it' })],
};
