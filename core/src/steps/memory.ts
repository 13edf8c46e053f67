import { memoryAdvice } from '../advice/memory-advice';
import { isBraid } from '../lines/line';
import { onlyIf, type BenchStep } from './bench-step';
import { check } from './step-field';

/** Line that remembers its spool, in a house that takes that out. */
export const memory: BenchStep = {
  when: ({ line, rules, type }) =>
    onlyIf(
      line !== null &&
        !isBraid(line.material) &&
        rules.memoryRelief !== 'leave' &&
        type !== 'big-game' &&
        // A filled trolling reel goes into no water: its line is wound tight, and its counter stays dry.
        !(type === 'trolling' && rules.memoryRelief === 'warm-water'),
      'optional',
    ),
  words: ({ rules, line }) => ({
    name: 'Take memory out',
    todo: (line && memoryAdvice(line.material, rules)?.sentence) ?? 'Nothing to do.',
    look: 'A slack metre hangs straight.',
    cautions: rules.memoryRelief === 'warm-water' ? ['warm-water', 'spool-off'] : [],
  }),
  // One way may follow another.
  fields: [
    check('warm', 'Warm water'),
    check('stretched', 'Stretched a length at a time'),
    check('walked', 'Walked out and wound back tight'),
  ],
};
