import { gripAdvice } from '../advice/grip-advice';
import { isBraid } from '../lines/line';
import { onlyIf, type BenchStep } from './bench-step';
import { choice, quantity } from './step-field';

/** Braid slips on a bare arbor. */
export const grip: BenchStep = {
  when: ({ first, kept, tape }) => onlyIf(tape || (!kept && first !== null && isBraid(first.material))),
  words: ({ line, rules, tape }) => ({
    name: tape ? 'Wrap the tape on' : 'Give the arbor grip',
    todo: tape
      ? 'Wrap the tape round the arbor, edge to edge and flat, pulled tight; the knot goes over it.'
      : gripAdvice(line?.material ?? 'braid', 'bare', rules).sentence,
    look: 'A spool with a rubber band or ridges grips by itself.',
    cautions: ['spool-off'],
  }),
  fields: [
    choice('by', 'It grips by', {
      tape: 'Tape',
      ridges: 'Ridges',
      rubber: 'A rubber band',
    }),
    quantity('wraps', 'Wraps of tape', 'count', [0, 30]),
    quantity('thickness', 'How thick the tape is', 'small-length', [0.05, 3]),
  ],
};
