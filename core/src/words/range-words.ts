import { message, type Words } from './message';

/** Below this a figure in mm is told as a line's diameter is: coarser steps would show it as nothing. */
const FINE = 0.1;

/** From a least to a most, in `m` or `mm`, or in another unit that is the same for everybody; empty for none. */
export function rangeWords(range: readonly [least: number, most: number], unit: string): Words {
  const [least] = range;
  if (unit === 'm') return message('range.m', { range: { m: range } });
  if (unit === 'mm' && least > 0 && least < FINE) return message('range.fine', { range: { line: range } });
  if (unit === 'mm') return message('range.mm', { range: { mm: range } });
  return `${range.map(String).join(' to ')} ${unit}`.trim();
}
