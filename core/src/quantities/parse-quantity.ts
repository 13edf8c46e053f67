import { fail, succeed, type PlainIssue, type Result } from '../issue';
import { formatQuantity, INCH_STEP } from './format-quantity';
import { parseNumber } from './parse-number';
import type { Quantity } from './quantity';
import { readSaid } from './said-quantity';
import { DEFAULT_UNIT, TO_BASE, UNIT_SPELLINGS, type Dimension, type UnitSystem } from './units';

/** The least and most a field takes, in the core's unit. */
export interface Allowed {
  readonly min?: number;
  readonly max?: number;
}

/** A range as what is allowed within it. */
export const allowedIn = ([min, max]: readonly [number, number]): Required<Allowed> => ({ min, max });

const issue = (code: string, sentence: string): PlainIssue => ({ code, severity: 'error', sentence });

/**
 * Reads a quantity as a person types it: `120 m`, `180yd`, `.25`, `0.011in`, `1/16"`, `12 lb`, `6.1kg`, `5.2:1`.
 *
 * @param text what was typed
 * @param dimension what kind of quantity the field holds
 * @param system decides the unit of a bare number
 * @param allowed the field's range in the core's unit; outside it is an issue that says the range
 * @returns the value in the core's unit beside the text, or a sentence saying what is wrong
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  system: UnitSystem = 'metric',
  allowed: Allowed = {},
): Result<Quantity, PlainIssue> {
  if (text.trim() === '') return fail(issue('empty', 'Nothing is written here yet.'));
  const read =
    dimension === 'ratio'
      ? readRatio(text)
      : (readSaid(text, dimension) ?? readWithUnit(text, dimension, system));
  if (!read.ok) return read;
  const problem = outside(read.value, dimension, system, allowed);
  return problem ? fail(problem) : read;
}

function readRatio(text: string): Result<Quantity, PlainIssue> {
  const [front, back = '1', ...rest] = text.split(':');
  const over = parseNumber(front ?? '');
  const under = parseNumber(back);
  if (!over.ok || !under.ok || rest.length > 0 || under.value === 0) {
    return fail(issue('not-a-ratio', `"${text.trim()}" is not a gear ratio. Write it like 5.2:1 or 5.2.`));
  }
  return succeed({ text: text.trim(), value: over.value / under.value, unit: '' });
}

/** Nobody measures these to a thousandth: a comma before three digits groups thousands, as it is written here. */
const GROUPED: ReadonlySet<Dimension> = new Set(['line-length', 'mass', 'count']);

function readWithUnit(text: string, dimension: Dimension, system: UnitSystem): Result<Quantity, PlainIssue> {
  const match = /^\s*([-−–+]?[\d.,/ \u00a0\u202f-]*\d\.?)\s*([^\d\s][^\d]*)?$/.exec(text);
  if (!match)
    return fail(issue('not-a-number', `"${text.trim()}" is not a number. Write it like 120, 0.25 or 1/16.`));
  const number = parseNumber(match[1] ?? '', GROUPED.has(dimension));
  if (!number.ok) return number;
  // Nobody divides a millimetre: a bare 1/8 is of an inch.
  const bare =
    dimension === 'small-length' && match[1]?.includes('/') ? 'in' : DEFAULT_UNIT[system][dimension];
  const spelled = (match[2] ?? bare).trim().toLowerCase().replace(/\.$/, '');
  const unit = UNIT_SPELLINGS[spelled] ?? spelled;
  const factor = dimension === 'count' && unit === '' ? 1 : TO_BASE[dimension][unit];
  if (factor === undefined) return fail(unknownUnit(spelled, dimension));
  return succeed({ text: text.trim(), value: number.value * factor, unit });
}

function unknownUnit(spelled: string, dimension: Dimension): PlainIssue {
  const known = Object.keys(TO_BASE[dimension]).join(', ');
  return issue(
    'unknown-unit',
    known
      ? `"${spelled}" is not a unit this field takes. It takes ${known}.`
      : 'This field takes a bare number.',
  );
}

/** A limit of so many of a unit is no figure anybody has in mind. */
const SENSIBLE = 20_000;

function outside(
  quantity: Quantity,
  dimension: Dimension,
  system: UnitSystem,
  { min = -Infinity, max = Infinity }: Allowed,
): PlainIssue | null {
  if (quantity.value >= min && quantity.value <= max) return null;
  const most = Math.max(...[min, max].filter(Number.isFinite).map(Math.abs));
  const typed = TO_BASE[dimension][quantity.unit] ?? 1;
  // Limits are said in what was typed, but for units nobody reckons them in.
  const named = most / typed > SENSIBLE ? DEFAULT_UNIT[system][dimension] : quantity.unit;
  const say = (value: number, inwards: 'up' | 'down'): string =>
    limitText(value, named, dimension, system, inwards);
  const range =
    min === -Infinity
      ? `up to ${say(max, 'down')}`
      : max === Infinity
        ? `from ${say(min, 'up')}`
        : `from ${say(min, 'up')} to ${say(max, 'down')}`;
  return issue('out-of-range', `${quantity.text} is outside what this takes: ${range}.`);
}

/** A limit as a person writes it, in the named unit; to the step of a rule inside the limit where inches are read off one. */
function limitText(
  value: number,
  named: string,
  dimension: Dimension,
  system: UnitSystem,
  inwards: 'up' | 'down',
): string {
  if (named === 'in' && system === 'imperial') {
    const steps = (value / INCH_STEP).toFixed(6);
    return formatQuantity(
      Math[inwards === 'up' ? 'ceil' : 'floor'](Number(steps)) * INCH_STEP,
      dimension,
      system,
    ).text;
  }
  const figure = Number((value / (TO_BASE[dimension][named] ?? 1)).toPrecision(3)).toLocaleString('en');
  return named ? `${figure} ${named}` : figure;
}
