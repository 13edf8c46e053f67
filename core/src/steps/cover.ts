import { onlyIf, says, type BenchStep } from './bench-step';

/** A closed face. */
export const cover: BenchStep = {
  when: ({ type }) => onlyIf(type === 'spincast'),
  words: says(
    'Cover on',
    'Line through the nose cone, cover on, one turn of the handle.',
    'It runs free inside.',
  ),
};
