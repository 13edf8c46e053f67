/**
 * The units people use at a spooling bench, each with its exact factor to the unit the core works in.
 * Source: NIST Special Publication 811, appendix B: inch 25.4 mm, yard 0.9144 m, pound 0.45359237 kg (exact).
 */
export type Dimension = 'line-length' | 'small-length' | 'mass' | 'strength' | 'ratio' | 'count';

/**
 * What a person reads and types in: metric, or yards, inches and pounds, with inches either as they are on a rule
 * (`imperial`: fractions to a thirty-second) or as they are on a caliper (`thousandths`).
 */
export const UNIT_SYSTEMS = ['metric', 'imperial', 'thousandths'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

/** One kilogram of force in newtons (NIST SP 811, exact). */
export const KILOGRAM_FORCE = 9.80665;

/** A yard in metres and an inch in millimetres: every other figure of either comes from here. */
export const METRES_PER_YARD = 0.9144;
export const MM_PER_INCH = 25.4;

/** Multiply a number in the named unit by this to have it in the dimension's stored unit. */
export const TO_BASE: Readonly<Record<Dimension, Readonly<Record<string, number>>>> = {
  'line-length': {
    m: 1,
    yd: METRES_PER_YARD,
    ft: METRES_PER_YARD / 3,
    cm: 0.01,
    mm: 0.001,
    km: 1000,
    in: MM_PER_INCH / 1000,
  },
  'small-length': { mm: 1, cm: 10, in: MM_PER_INCH, m: 1000, um: 0.001 },
  mass: { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 },
  strength: { kg: 1, lb: 0.45359237, g: 0.001, oz: 0.028349523125, n: 1 / KILOGRAM_FORCE },
  ratio: {},
  count: {},
};

/** Other spellings of a unit, in lower case, as they are met on packs and spools. */
export const UNIT_SPELLINGS: Readonly<Record<string, string>> = {
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  mtr: 'm',
  mtrs: 'm',
  yard: 'yd',
  yards: 'yd',
  yds: 'yd',
  y: 'yd',
  yrd: 'yd',
  yrds: 'yd',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  lbs: 'lb',
  '#': 'lb',
  // What a line is sold by: the pull it is tested to.
  'lb test': 'lb',
  'lbs test': 'lb',
  'lb. test': 'lb',
  'lb-test': 'lb',
  '# test': 'lb',
  'pound test': 'lb',
  'kg test': 'kg',
  pound: 'lb',
  pounds: 'lb',
  kgs: 'kg',
  kilo: 'kg',
  kilos: 'kg',
  gram: 'g',
  grams: 'g',
  newton: 'n',
  newtons: 'n',
  µm: 'um',
  μm: 'um',
};

const YARDS_AND_POUNDS: Readonly<Record<Dimension, string>> = {
  'line-length': 'yd',
  'small-length': 'in',
  mass: 'oz',
  strength: 'lb',
  ratio: '',
  count: '',
};

/** The unit a bare number is taken to be in. */
export const DEFAULT_UNIT: Readonly<Record<UnitSystem, Readonly<Record<Dimension, string>>>> = {
  metric: { 'line-length': 'm', 'small-length': 'mm', mass: 'g', strength: 'kg', ratio: '', count: '' },
  imperial: YARDS_AND_POUNDS,
  thousandths: YARDS_AND_POUNDS,
};
