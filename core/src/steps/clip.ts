import { always, type BenchStep } from './bench-step';
import { check } from './step-field';

/** The supply is cut off. */
export const clip: BenchStep = {
  when: always,
  words: ({ type }) => ({
    name: 'Cut, clip, tape',
    todo:
      type === 'trolling'
        ? 'The counter agrees, or is left as it is: now cut the right line, clip it, tape the supply’s tail.'
        : 'Cut the right line, clip it on the reel, tape the supply’s tail.',
    look: 'Pull the line before you cut: it moves at the reel.',
    cautions: ['cut'],
  }),
  fields: [check('pulled', 'Pulled it first')],
};
