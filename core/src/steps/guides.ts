import { onlyIf, says, type BenchStep } from './bench-step';
import { quantity } from './step-field';

/** A house that threads every guide. */
export const guides: BenchStep = {
  when: ({ rules }) => onlyIf(rules.guides === 'all'),
  words: says(
    'Thread every guide',
    'All of them, none missed; fold the end so that it cannot slip back.',
    'Count them from the tip down.',
  ),
  fields: [quantity('guides', 'Guides threaded', 'count', [1, 20])],
};
