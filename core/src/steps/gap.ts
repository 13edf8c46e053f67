import { always, type BenchStep } from './bench-step';

/** How far below the lip it ends. */
export const gap: BenchStep = {
  when: always,
  words: ({ type }) => ({
    name: 'Read the gap',
    todo: 'Measure from the lip down to the line, and type what you read.',
    look:
      type === 'spincast'
        ? 'Cover off to look, on again to try it.'
        : 'On a bevelled rim, the bottom of the bevel.',
    cautions: [],
  }),
};
