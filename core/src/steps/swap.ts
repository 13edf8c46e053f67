import { onlyIf, says, type BenchStep } from './bench-step';

/** Main first: all of it goes over to the reel’s own spool. */
export const swap: BenchStep = {
  when: ({ swap: over }) => onlyIf(over),
  words: says(
    'Swap it over',
    'Wind all of it over to the reel’s own spool: the backing goes on first and the main comes out on top.',
    'Both spools turn the same way; tension as before.',
    'wind',
  ),
};
