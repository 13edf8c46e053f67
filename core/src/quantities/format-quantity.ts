import { DEFAULT_UNIT, MM_PER_INCH, TO_BASE, type Dimension, type UnitSystem } from './units';

/** Decimals that still mean something, in the unit a person reads. */
const DECIMALS: Readonly<Record<'metric' | 'imperial', Readonly<Record<Dimension, number>>>> = {
  metric: { 'line-length': 0, 'small-length': 1, mass: 0, strength: 1, ratio: 1, count: 0 },
  imperial: { 'line-length': 0, 'small-length': 3, mass: 1, strength: 0, ratio: 1, count: 0 },
};

/** The steps of a rule in inches, and one of them in mm. */
const STEPS = 32;
export const INCH_STEP = MM_PER_INCH / STEPS;

/** Line this short, in m or yd, is told with a decimal, or in feet: rounded to a whole one it would be another length. */
const SHORT = { metric: 10, imperial: 5 };

/** A number as a person reads it, and its unit apart so that a screen can set it smaller. */
export interface ShownQuantity {
  readonly number: string;
  readonly unit: string;
  /** Number and unit together, a no-break space between. */
  readonly text: string;
}

/**
 * Shows a stored value in a person's own units. Nothing stored changes: the value is always the core's unit.
 *
 * @param value in m, mm, g, kg or a plain ratio, as the dimension says
 * @param decimals in place of the usual ones, for instance 2 for a line's diameter
 */
export function formatQuantity(
  value: number,
  dimension: Dimension,
  system: UnitSystem = 'metric',
  decimals?: number,
): ShownQuantity {
  const family = system === 'metric' ? 'metric' : 'imperial';
  const unit = dimension === 'ratio' ? ': 1' : DEFAULT_UNIT[system][dimension];
  const inUnit = value / (TO_BASE[dimension][unit] ?? 1);
  if (decimals !== undefined) return shown(toDecimals(inUnit, decimals), unit);
  if (dimension === 'small-length' && system === 'imperial') return shown(asFraction(inUnit), unit);
  if (dimension === 'line-length' && Math.abs(inUnit) < SHORT[family] && inUnit !== 0) {
    const short = family === 'metric' ? 'm' : 'ft';
    return shown(toDecimals(value / (TO_BASE[dimension][short] ?? 1), 1).replace(/\.0$/, ''), short);
  }
  return shown(toDecimals(inUnit, DECIMALS[family][dimension]), unit);
}

/** What is off by this much is told to a hundredth of an inch, mm. */
const COARSE = 0.05 * MM_PER_INCH;

/**
 * A reading and how far off it may be, `48.2 ± 0.3 mm`. What may be off is told with at least the last step that is shown,
 * because a reading is never known better than it is told.
 *
 * @param millimetres a depth, width or diameter of a spool
 * @param off one standard deviation, mm
 */
export function formatSpread(millimetres: number, off: number, system: UnitSystem = 'metric'): string {
  const least = Math.max(SMALL_STEP[system], off);
  // Nobody knows a tenth of an inch to its thousandth.
  const decimals = system === 'thousandths' && least >= COARSE ? 2 : undefined;
  const { number } = formatQuantity(millimetres, 'small-length', system, decimals);
  return `${number} ± ${formatQuantity(least, 'small-length', system, decimals).text}`;
}

/** From one figure to another; where both are told alike, about that. @param low as it stands before the other */
export const fromTo = (from: string, to: string, low = from): string =>
  from === to ? `about ${to}` : `${low} to ${to}`;

/** The least step that is told of a small length, mm. */
export const SMALL_STEP: Readonly<Record<UnitSystem, number>> = {
  metric: 0.1,
  imperial: INCH_STEP,
  thousandths: MM_PER_INCH / 1000,
};

const shown = (number: string, unit: string): ShownQuantity => ({
  number,
  unit,
  text: unit ? `${number}\u00a0${unit}` : number,
});

const toDecimals = (inUnit: number, decimals: number): string =>
  withThousands(inUnit.toFixed(decimals).replace(/^-(0(\.0+)?)$/, '$1'));

/** Inches as people read them off a rule: to the nearest thirty-second, in its lowest terms. */
function asFraction(inches: number): string {
  const steps = Math.round(Math.abs(inches) * STEPS);
  const whole = Math.floor(steps / STEPS);
  let over = steps % STEPS;
  let under = STEPS;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  const parts = [
    ...(whole > 0 || over === 0 ? [String(whole)] : []),
    ...(over > 0 ? [`${over}/${under}`] : []),
  ];
  return `${inches < 0 && steps > 0 ? '-' : ''}${parts.join('\u00a0')}`;
}

/** A line's diameter or a tape's thickness, finer than any rule: two decimals in millimetres, three in inches. */
export const formatDiameter = (millimetres: number, system: UnitSystem = 'metric'): ShownQuantity =>
  formatQuantity(millimetres, 'small-length', system, system === 'metric' ? 2 : 3);

/** A whole number of turns, wraps or casts, thousands grouped. */
export const formatCount = (count: number): string => withThousands(count.toFixed(0));

const withThousands = (digits: string): string => {
  const [whole = '', fraction] = digits.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
};
