import { parseNumber } from '../quantities/parse-number';
import { TO_BASE, UNIT_SPELLINGS } from '../quantities/units';

/** One number of a print, with whatever stands at it. */
export interface PrintPart {
  readonly value: number;
  /** As it was written, without its unit. */
  readonly digits: string;
  /** A unit of length, thickness or strength; empty where none is written. */
  readonly unit: string;
  /** Whether it is marked as a size number. */
  readonly size: boolean;
}

/** Words that mark a size number. `pe` also says that the line is braid. */
export const SIZE_MARK = String.raw`#|no\.?|nr\.?|size|pe`;
const UNIT = String.raw`[a-zµμ"″'′”]+`;
const PART = new RegExp(
  String.raw`^(?<mark>${SIZE_MARK})?\s*(?<digits>\d[\d.,]*|[.,]\d+)\s*(?<unit>${UNIT})?\.?$`,
  'i',
);

/** Separators between the two halves of a print. */
const BETWEEN = /[x×*/@:–-]/i;

/** Both halves of one print; null where it has not two, or one is no number. */
export function printParts(chunk: string): readonly [PrintPart, PrintPart] | null {
  // An "x" between digits is a sign; inside a word it is a letter.
  const halves = chunk.replace(/(?<=[\d.a-z"])x(?=[\d.#])/gi, '×').split(BETWEEN);
  if (halves.length !== 2) return null;
  const [front, back] = halves.map(readPart);
  return front && back ? [front, back] : null;
}

function readPart(half: string): PrintPart | null {
  const match = PART.exec(half.trim());
  const digits = match?.groups?.digits ?? '';
  const number = parseNumber(digits);
  if (!match || !number.ok) return null;
  const unit = unitOf(match.groups?.unit ?? '');
  if (unit === null) return null;
  const size = match.groups?.mark !== undefined;
  if (!size && HUNDREDTHS.test(digits) && (unit === '' || unit === 'mm')) {
    // Printed without its point: 028 is 0.28 mm.
    const pointed = `0.${digits.slice(1)}`;
    return { value: Number(pointed), digits: pointed, unit: 'mm', size };
  }
  return { value: number.value, digits, unit, size };
}

/** A unit of a print in its one spelling; empty where none is written, null where it is no unit. */
function unitOf(written: string): string | null {
  const spelled = written.toLowerCase().replace(/\.$/, '');
  const unit = UNIT_SPELLINGS[spelled] ?? spelled;
  const of = [TO_BASE['line-length'], TO_BASE['small-length'], TO_BASE.strength];
  return unit === '' || of.some((units) => unit in units) ? unit : null;
}

const HUNDREDTHS = /^0\d{2,3}$/;

/** Whether a word is a whole print, with a sign between its halves. */
export const isWhole = (word: string): boolean => {
  const halves = word.replace(/(?<=[\d.a-z"])x(?=[\d.#])/gi, '×').split(BETWEEN);
  return halves.length > 1 && halves.every((half) => half !== '');
};

/** Whether a size number is written in the way only braid is. */
export const saysBraid = (chunk: string): boolean => /(^|[\s/×*@:-])pe/i.test(chunk);

/** Whether the two numbers are written one times the other, as a length and a diameter are. */
export const saysTimes = (chunk: string): boolean => /[×*]|(?<=[\d.a-z"])x(?=[\d.#])/i.test(chunk);
