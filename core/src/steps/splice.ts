import { SPLICE_INSIDE as INSIDE } from '../advice/knot-advice';
import { message } from '../words/message';
import { onlyIf, type BenchStep, type StepAt } from './bench-step';
import { check, quantity } from './step-field';

/** Whether two lines are joined by a splice: one of them is hollow. */
export const isSplice = ({ line, below }: Pick<StepAt, 'line' | 'below'>): boolean =>
  [line, below].some((one) => one?.material === 'hollow-braid');

/** A line run inside a hollow braid. */
export const splice: BenchStep = {
  when: (at) => onlyIf(at.below !== null && isSplice(at)),
  words: () => ({
    name: 'Splice',
    todo: message('step.splice', { inside: { m: INSIDE } }),
    look: 'Needle will not go through: a bad weave. Cut back and start the splice again.',
    cautions: ['cut', 'wind-tight'],
  }),
  fields: [
    quantity('metres', 'Length inside the braid', 'line-length', [0.3, 20]),
    check('whipped', 'Both ends whipped'),
    check('pushed', 'Braid pushed down over it'),
  ],
  // A splice that is not whipped comes out.
  missing: ({ metres, whipped, pushed }) => {
    if (metres === undefined) return 'Type the length of the splice.';
    return whipped === true && pushed === true
      ? ''
      : 'Whip both ends and push the braid down before it is wound on.';
  },
};
