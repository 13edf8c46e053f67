import { formatQuantity } from './format-quantity';
import type { Dimension, UnitSystem } from './units';

const QUANTITY =
  /(?<![\d.×])(-?\d[\d,]*(?:\.\d+)?)((?: to | and |–)-?\d[\d,]*(?:\.\d+)?)?[ \u00a0](mm|m|kg|g)\b(?!²|·)/g;

const DIMENSIONS: Readonly<Record<string, Dimension>> = {
  m: 'line-length',
  mm: 'small-length',
  kg: 'strength',
  g: 'mass',
};

/**
 * A sentence of the core, which speaks metric, in a person's own units: its lengths, depths, weights and pulls are
 * rewritten where they stand, nothing else is touched.
 */
export function sayIn(sentence: string, system: UnitSystem): string {
  if (system === 'metric') return sentence;
  return sentence.replace(QUANTITY, (whole, first: string, second: string | undefined, unit: string) => {
    const dimension = DIMENSIONS[unit];
    if (!dimension) return whole;
    const metric = (text: string): number => Number(text.replaceAll(',', ''));
    const shown = formatQuantity(metric(first), dimension, system);
    if (second === undefined) return shown.text;
    const [, between = ' to ', figure = ''] = /^( to | and |–)(.+)$/.exec(second) ?? [];
    return `${shown.number}${between}${formatQuantity(metric(figure), dimension, system).text}`;
  });
}
