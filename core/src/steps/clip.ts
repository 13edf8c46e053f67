import type { ReelType } from '../lines/reel-type';
import { always, type BenchStep } from './bench-step';
import { check } from './step-field';

const CUT: Partial<Record<ReelType, string>> = {
  trolling:
    'The counter agrees, or is left as it is: now cut the right line, clip it, tape the supply’s tail.',
  spincast:
    'Cut the right line and wrap the tag round the handle, so that it cannot vanish inside. Tape the supply’s tail.',
};

/** The supply is cut off. */
export const clip: BenchStep = {
  when: always,
  words: ({ type }) => ({
    name: 'Cut, clip, tape',
    todo: CUT[type] ?? 'Cut the right line, clip it on the reel, tape the supply’s tail.',
    look: 'Pull the line before you cut: it moves at the reel.',
    cautions: ['cut'],
  }),
  fields: [check('pulled', 'Checked it is the right line')],
};
