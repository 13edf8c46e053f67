import { memoryAdvice } from '../advice/memory-advice';
import { isBraid } from '../lines/line';
import type { HouseRules } from '../house-rules/house-rules';
import type { Line } from '../lines/line';
import { REEL_TRAITS } from '../lines/reel-type';
import { onlyIf, type BenchStep, type StepWords } from './bench-step';
import { check } from './step-field';

const BED_IN: StepWords = {
  name: 'Bed the braid in',
  todo: 'Walk it out to a post, down to the join, and wind it back as tight as it will be fished, through a wet cloth or glove.',
  look: 'A thumb pushed against the pack moves no turn.',
  cautions: ['wind'],
};

const relief = (line: Line | null, rules: HouseRules): StepWords => ({
  name: 'Take memory out',
  todo: (line && memoryAdvice(line.material, rules)?.sentence) ?? 'Nothing to do.',
  look: 'A slack metre hangs straight.',
  cautions: rules.memoryRelief === 'warm-water' ? ['warm-water', 'spool-off'] : [],
});

/** Line that remembers its spool, in a house that takes that out; braid has none, and is bedded in instead. */
export const memory: BenchStep = {
  when: ({ line, rules, type }) =>
    onlyIf(
      line !== null &&
        // Braid that is cast is walked out once and wound back, so that it lies as tight as it will be fished.
        (isBraid(line.material) ? rules.memoryRelief === 'walk-out' && REEL_TRAITS[type].cast : true) &&
        rules.memoryRelief !== 'leave' &&
        !REEL_TRAITS[type].keepsMemory &&
        // A filled reel with a counter goes into no water: its line is wound tight, and its counter stays dry.
        !(REEL_TRAITS[type].counter && rules.memoryRelief === 'warm-water'),
      'optional',
    ),
  words: ({ rules, line }) => (line && isBraid(line.material) ? BED_IN : relief(line, rules)),
  // One way may follow another.
  fields: [
    check('warm', 'Warm water'),
    check('stretched', 'Stretched a length at a time'),
    check('walked', 'Walked out and wound back tight'),
  ],
};
