import { onlyIf, says, type BenchStep } from './bench-step';
import { quantity, words } from './step-field';

/** Asked for when it was booked. */
export const leader: BenchStep = {
  when: ({ leader: asked }) => onlyIf(asked),
  words: says(
    'Leader or bumper',
    'Join it as asked, and write down what it is and how long.',
    'Pull the join hard once.',
    'cut',
  ),
  fields: [
    words('what', 'What it is'),
    quantity('metres', 'How long', 'line-length', [0.1, 100]),
    quantity('strength', 'Its strength, as rated', 'strength', [0.1, 500]),
    words('join', 'How it is joined'),
  ],
};
