import { optional, type BenchStep } from './bench-step';
import { quantity } from './step-field';

/** What the drag holds. */
export const dragReading: BenchStep = {
  when: optional,
  words: ({ rules }) => ({
    name: 'Read the drag',
    todo: `Pull straight off with a spring scale: ${rules.drag === 'third' ? 'a third' : 'a quarter'} of the weakest line’s strength.`,
    look: 'It gives smoothly, without a jerk at the start.',
    cautions: ['hand-back'],
  }),
  fields: [quantity('drag', 'Drag as read', 'strength', [0.1, 60])],
};
