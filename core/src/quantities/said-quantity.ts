import { succeed, type Result, type PlainIssue } from '../issue';
import { parseNumber } from './parse-number';
import type { Quantity } from './quantity';
import { TO_BASE, type Dimension } from './units';

const FEET_INCHES =
  /^(\d+)\s*(?:'|′|’|ft\.?|foot|feet)\s*(\d[\d./ ]*?)\s*(?:"|″|”|''|′′|in\.?|inch(?:es)?)?$/i;
/** Shares of an inch people have words for. */
const COUNTED: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, three: 3, five: 5, seven: 7 };
const SHARES: Readonly<Record<string, number>> = {
  half: 1 / 2,
  quarter: 1 / 4,
  eighth: 1 / 8,
  sixteenth: 1 / 16,
  'thirty-second': 1 / 32,
};
const INCH_SHARE =
  /^(?:(a|an|one|three|five|seven) )?(half|quarter|eighth|sixteenth|thirty[- ]second)s?(?: (?:of )?(?:an )?inch)?$/;
/** A size number of a line, with the mark it is printed with. */
const SIZE = /^(?:pe|size|no\.?|#)\s*#?\s*(\d[\d.,]*)$/i;

/** Diameter of a line of size number n, mm: 0.165 √n, from memory. */
export const sizeDiameter = (n: number): number => 0.165 * Math.sqrt(n);

const FLUSH = /^(flush|level)( with the lip)?$/;

/**
 * A quantity as it is said rather than measured: `0'3"`, `5 ft 6 in`, `a sixteenth`, `three thirty-seconds of an inch`,
 * `flush`, `PE 1.5`. Shares of an inch, flush and size numbers of a line are small lengths.
 *
 * @returns null where it is said in no such way
 */
export function readSaid(text: string, dimension: Dimension): Result<Quantity, PlainIssue> | null {
  const typed = text.trim();
  if (dimension !== 'line-length' && dimension !== 'small-length') return null;
  const size = dimension === 'small-length' ? parseNumber(SIZE.exec(typed)?.[1] ?? '') : null;
  if (size?.ok) return succeed({ text: typed, value: sizeDiameter(size.value), unit: 'mm' });
  const inches = inchesIn(typed, dimension);
  return inches === null
    ? null
    : succeed({ text: typed, value: inches * (TO_BASE[dimension].in ?? 1), unit: 'in' });
}

function inchesIn(typed: string, dimension: Dimension): number | null {
  const [, feet, inches] = FEET_INCHES.exec(typed) ?? [];
  const read = inches === undefined ? null : parseNumber(inches);
  if (feet !== undefined && read?.ok) return 12 * Number(feet) + read.value;
  if (dimension !== 'small-length') return null;
  const plain = typed.toLowerCase().replace(/\s+/g, ' ');
  if (FLUSH.test(plain)) return 0;
  const [, many, share = ''] = INCH_SHARE.exec(plain) ?? [];
  const of = SHARES[share.replace(' ', '-')];
  return of === undefined ? null : (COUNTED[many ?? 'a'] ?? 1) * of;
}
