import type { FillPlan, Words } from '@yard-spool/core';
import type { UnitsService } from '../data/units.service';

interface Shown {
  readonly headline: Words;
  readonly likely: string;
}

/** A plan told in one sentence, and the likely range of the figure in it. */
export function planSentence(
  plan: FillPlan,
  units: Pick<UnitsService, 'length' | 'lengths' | 'level' | 'levels'>,
): Shown {
  const blocking = plan.issues.find(({ severity }) => severity === 'error');
  if (blocking) return { headline: blocking.sentence, likely: '' };
  const solved = plan.layers.find(({ id }) => id === plan.solvedFor);
  if (solved?.request.kind !== 'line') {
    return {
      headline: `${plan.gap.value < 0 ? 'Stands' : 'Ends'} ${units.level(plan.gap.value)}.`,
      likely: `likely ${units.levels(plan.gap)}`,
    };
  }
  const length = units.length(solved.length.value);
  const ends = `; the gap would then be ${units.levels(plan.gap)}`;
  const headline =
    solved.request.role === 'main'
      ? `Holds ${length} of main line.`
      : `Fills to the gap with ${length} of ${solved.request.role}.`;
  return { headline, likely: `likely ${units.lengths(solved.length)}${ends}` };
}

/** The same of a reel whose line stays on. */
export function staysSentence({ layers }: FillPlan, units: Pick<UnitsService, 'length' | 'lengths'>): Shown {
  const main = layers.at(-1)?.length;
  return {
    headline: 'Its line stays on: the counter is matched.',
    likely: main ? `about ${units.length(main.value)} on it, likely ${units.lengths(main)}` : '',
  };
}
