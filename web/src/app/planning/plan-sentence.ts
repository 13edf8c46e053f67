import { levelWords, type FillPlan, type Words } from '@yard-spool/core';
import { rangeText } from '../ui/level-words';

interface Shown {
  readonly headline: Words;
  readonly likely: string;
}

/** A plan told in one sentence, and the likely range of the figure in it. */
export function planSentence(
  plan: FillPlan,
  length: (metres: number) => string,
  small: (millimetres: number) => string,
): Shown {
  const blocking = plan.issues.find(({ severity }) => severity === 'error');
  if (blocking) return { headline: blocking.sentence, likely: '' };
  const at = (depth: number): string => levelWords(depth, small);
  const range = ({ low: top, high: bottom }: FillPlan['gap']): string => rangeText(top, bottom, small);
  const solved = plan.layers.find(({ id }) => id === plan.solvedFor);
  if (solved?.request.kind !== 'line') {
    return {
      headline: plan.gap.value < 0 ? `Stands ${at(plan.gap.value)}.` : `Ends ${at(plan.gap.value)}.`,
      likely: `likely ${range(plan.gap)}`,
    };
  }
  const { value, low, high } = solved.length;
  const ends = `; the gap would then be ${range(plan.gap)}`;
  const headline =
    solved.request.role === 'main'
      ? `Holds ${length(value)} of main line.`
      : `Fills to the gap with ${length(value)} of ${solved.request.role}.`;
  return { headline, likely: `likely ${length(low)} to ${length(high)}${ends}` };
}

/** The same of a reel whose line stays on. */
export function staysSentence({ layers }: FillPlan, length: (metres: number) => string): Shown {
  const main = layers.at(-1)?.length;
  return {
    headline: 'Its line stays on: the counter is matched.',
    likely: main
      ? `about ${length(main.value)} on it, likely ${length(main.low)} to ${length(main.high)}`
      : '',
  };
}
