import { always, says, type BenchStep } from './bench-step';

/** The end of a fill. */
export const tag: BenchStep = {
  when: always,
  words: says(
    'Tag and close',
    'Hang the tag on the reel. Closing writes what is on it and takes the line off the rack.',
  ),
};
