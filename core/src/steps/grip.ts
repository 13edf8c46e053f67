import { gripAdvice } from '../advice/grip-advice';
import { isBraid } from '../lines/line';
import { onlyIf, type BenchStep } from './bench-step';

/** Braid slips on a bare arbor. */
export const grip: BenchStep = {
  when: ({ first, kept }) => onlyIf(!kept && first !== null && isBraid(first.material)),
  words: ({ line, rules }) => ({
    name: 'Give the arbor grip',
    todo: gripAdvice(line?.material ?? 'braid', 'bare', rules).sentence,
    look: 'A spool with a rubber band or ridges grips by itself.',
    cautions: ['spool-off'],
  }),
};
