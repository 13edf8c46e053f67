import { spanText } from '../quantities/span';
import { formatDiameter, formatQuantity, fromTo, type ShownQuantity } from '../quantities/format-quantity';
import type { UnitSystem } from '../quantities/units';

/** From one to another. */
type Range = readonly [low: number, high: number];

/** What a sentence can hold, by the name a template gives it: figures with their dimension, in the core's units. */
export interface Slots {
  /** Line, m. */
  readonly m: { readonly m: number };
  readonly 'm-range': { readonly m: Range };
  /** A depth, gap, width or diameter of a spool, mm. */
  readonly mm: { readonly mm: number };
  readonly 'mm-range': { readonly mm: Range };
  /** A line's diameter, mm. */
  readonly line: { readonly line: number };
  readonly 'line-range': { readonly line: Range };
  /** A pull, kg. */
  readonly kg: { readonly kg: number };
  readonly 'kg-range': { readonly kg: Range };
  /** A weight, g. */
  readonly g: { readonly g: number };
  /** A span of time, in minutes. */
  readonly minutes: { readonly minutes: number };
  /** A number of things. */
  readonly count: number;
  /** A name, a code, or what somebody typed: told as it is. */
  readonly text: string;
}

export type Measured = Exclude<Slots[keyof Slots], string | number>;

type Dimension = 'm' | 'mm' | 'line' | 'kg' | 'g' | 'minutes';

const SHOW: Readonly<Record<Dimension, (value: number, system: UnitSystem) => ShownQuantity>> = {
  m: (value, system) => formatQuantity(value, 'line-length', system),
  mm: (value, system) => formatQuantity(value, 'small-length', system),
  line: (value, system) => formatDiameter(value, system),
  kg: (value, system) => formatQuantity(value, 'strength', system),
  minutes: (value) => ({ number: spanText(value), unit: '', text: spanText(value) }),
  g: (value, system) => formatQuantity(value, 'mass', system, value < 1 ? 3 : system === 'metric' ? 1 : 2),
};

const isNumber = (value: unknown): value is number => typeof value === 'number';

/** Whether something is a figure or a range of a dimension there is. */
export function isMeasured(value: object): value is Measured {
  const [[dimension = '', figure] = [], ...more] = Object.entries(value) as [string?, unknown?][];
  if (more.length > 0 || !Object.hasOwn(SHOW, dimension)) return false;
  return isNumber(figure) || (Array.isArray(figure) && figure.length === 2 && figure.every(isNumber));
}

/** A figure in a person's own units; a range has its unit once where both ends have the same. */
export function tellMeasured(measured: Measured, system: UnitSystem): string {
  const [dimension, value] = Object.entries(measured)[0] as [Dimension, number | Range];
  if (typeof value === 'number') return SHOW[dimension](value, system).text;
  const [low, high] = value.map((end) => SHOW[dimension](end, system));
  if (!low || !high) return '';
  return fromTo(low.text, high.text, low.unit === high.unit ? low.number : low.text);
}
