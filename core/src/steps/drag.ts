import { always, says, type BenchStep } from './bench-step';

/** Nothing is stored tight. */
export const drag: BenchStep = {
  when: always,
  words: says('Back the drag off', 'Nobody stores a reel with the drag tight.', '', 'hand-back'),
};
