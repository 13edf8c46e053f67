import { formatDiameter, formatQuantity, type ShownQuantity } from './format-quantity';
import type { Dimension, UnitSystem } from './units';

const QUANTITY =
  /(?<![\d.×])(-?\d[\d,]*(?:\.\d+)?)((?: to | and |–)-?\d[\d,]*(?:\.\d+)?)?[ \u00a0](mm|m|kg|g)\b(?!²|·)/g;

const DIMENSIONS: Readonly<Record<string, Dimension>> = {
  m: 'line-length',
  mm: 'small-length',
  kg: 'strength',
  g: 'mass',
};

/** As `told` writes what is still to be rounded, and a line's diameter. */
const TO_ROUND = /\.\d{3,}$/;
const DIAMETER = /^\d\.\d\d$/;

/**
 * A sentence of the core, which speaks metric, in a person's own units: its lengths, depths, weights and pulls are rounded
 * and rewritten where they stand, nothing else is touched. A metric reader's are only rounded.
 */
export function sayIn(sentence: string, system: UnitSystem): string {
  return sentence.replace(QUANTITY, (whole, first: string, second: string | undefined, unit: string) => {
    const dimension = DIMENSIONS[unit];
    if (!dimension || (system === 'metric' && !TO_ROUND.test(first))) return whole;
    const shown = (text: string): ShownQuantity => {
      const metric = Number(text.replaceAll(',', ''));
      return unit === 'mm' && DIAMETER.test(text)
        ? formatDiameter(metric, system)
        : formatQuantity(metric, dimension, system);
    };
    if (second === undefined) return shown(first).text;
    const [, between = ' to ', figure = ''] = /^( to | and |–)(.+)$/.exec(second) ?? [];
    const [from, to] = [shown(first), shown(figure)];
    return `${from.unit === to.unit ? from.number : from.text}${between}${to.text}`;
  });
}
