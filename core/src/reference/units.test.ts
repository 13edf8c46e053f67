import Qty from 'js-quantities';
import { describe, expect, it } from 'vitest';
import { TO_BASE } from '../quantities/units';

/**
 * Source: NIST Special Publication 811 (Guide for the Use of the International System of Units), appendix B, where the
 * inch, yard, foot and pound are exact; and an independent units library from the registry.
 */
const EXACT = [
  ['small-length', 'in', 25.4],
  ['line-length', 'yd', 0.9144],
  ['line-length', 'ft', 0.3048],
  ['strength', 'lb', 0.45359237],
] as const;

const LIBRARY = [
  ['line-length', 'yd', 'yard', 'm'],
  ['line-length', 'ft', 'foot', 'm'],
  ['line-length', 'in', 'inch', 'm'],
  ['small-length', 'in', 'inch', 'mm'],
  ['small-length', 'um', 'micrometer', 'mm'],
  ['mass', 'oz', 'ounce', 'g'],
  ['mass', 'lb', 'pound', 'g'],
  ['strength', 'lb', 'pound', 'kg'],
] as const;

describe('unit definitions', () => {
  it.each(EXACT)('%s: one %s is exactly %f', (dimension, unit, factor) => {
    expect(TO_BASE[dimension][unit]).toBe(factor);
  });

  it.each(LIBRARY)(
    '%s: one %s is what a units library says of a %s in %s',
    (dimension, unit, theirs, base) => {
      expect(TO_BASE[dimension][unit]! / Qty(1, theirs).to(base).scalar).toBeCloseTo(1, 8);
    },
  );

  it('a kilogram of strength is a kilogram-force: 9.80665 N (NIST SP 811, exact)', () => {
    expect(1 / TO_BASE.strength.n!).toBeCloseTo(9.80665, 12);
  });
});
