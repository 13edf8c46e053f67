import { memoryAdvice } from '../advice/memory-advice';
import { isBraid } from '../lines/line';
import { onlyIf, type BenchStep } from './bench-step';

/** Line that remembers its spool, in a house that takes that out. */
export const memory: BenchStep = {
  when: ({ line, rules, type }) =>
    onlyIf(
      line !== null && !isBraid(line.material) && rules.memoryRelief !== 'leave' && type !== 'big-game',
      'optional',
    ),
  words: ({ rules, line }) => ({
    name: 'Take memory out',
    todo: (line && memoryAdvice(line.material, rules)?.sentence) ?? 'Nothing to do.',
    look: 'A slack metre hangs straight.',
    cautions: rules.memoryRelief === 'warm-water' ? ['warm-water', 'spool-off'] : [],
  }),
};
