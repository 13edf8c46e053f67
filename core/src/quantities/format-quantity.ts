import { TO_BASE, type Dimension, type UnitSystem } from './units';

/** How a dimension is shown in each system: the unit, and the decimals that still mean something. */
const SHOWN: Readonly<
  Record<UnitSystem, Readonly<Record<Dimension, readonly [unit: string, decimals: number]>>>
> = {
  metric: {
    'line-length': ['m', 0],
    'small-length': ['mm', 1],
    mass: ['g', 0],
    strength: ['kg', 1],
    ratio: [': 1', 1],
    count: ['', 0],
  },
  imperial: {
    'line-length': ['yd', 0],
    'small-length': ['in', 3],
    mass: ['oz', 1],
    strength: ['lb', 0],
    ratio: [': 1', 1],
    count: ['', 0],
  },
};

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
  const [unit, usual] = SHOWN[system][dimension];
  const inUnit = value / (TO_BASE[dimension][unit] ?? 1);
  if (decimals === undefined && unit === 'in') {
    const number = asFraction(inUnit) ?? inUnit.toFixed(usual);
    return { number, unit, text: `${number}\u00a0${unit}` };
  }
  const number = withThousands(inUnit.toFixed(decimals ?? usual).replace(/^-(0(\.0+)?)$/, '$1'));
  return { number, unit, text: unit ? `${number}\u00a0${unit}` : number };
}

/** The trade's own steps on a rule, and how near to one is on it: a tenth of a millimetre. */
const STEPS = 32;
const ON_THE_STEP = 0.1 / 25.4;

/** Inches as people read them off a rule: whole, halves to thirty-seconds; null between two steps. */
function asFraction(inches: number): string | null {
  const steps = Math.round(inches * STEPS);
  if (inches < 0 || Math.abs(steps / STEPS - inches) > ON_THE_STEP) return null;
  const whole = Math.floor(steps / STEPS);
  let [over, under] = [steps % STEPS, STEPS];
  if (over === 0) return String(whole);
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${whole > 0 ? `${String(whole)}\u00a0` : ''}${String(over)}/${String(under)}`;
}

/** A line's diameter: two decimals in millimetres, three in inches. */
export const formatDiameter = (millimetres: number, system: UnitSystem = 'metric'): ShownQuantity =>
  formatQuantity(millimetres, 'small-length', system, system === 'metric' ? 2 : 3);

const withThousands = (digits: string): string => {
  const [whole = '', fraction] = digits.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
};
