import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { diameterByWraps } from './diameter-by-wraps';

describe('diameterByWraps', () => {
  it('is the width over the turns, surer with more turns', () => {
    const ten = valueOf(diameterByWraps(3, 10));
    const twenty = valueOf(diameterByWraps(6, 20));
    expect(ten.value).toBeCloseTo(0.3, 12);
    expect(twenty.sd).toBeCloseTo(ten.sd / 2, 12);
  });

  it.each([
    [3, 4],
    [3, 10.5],
    [0, 10],
    [NaN, 10],
    [90, 10],
    [3, Infinity],
  ])('refuses %s mm over %s turns with a sentence', (width, turns) => {
    const result = diameterByWraps(width, turns);
    expect(result.ok).toBe(false);
    expect(result.issues[0]!.sentence).toMatch(/\.$/);
  });

  it('gives back the diameter of what was laid', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 2.5, noNaN: true }),
        fc.integer({ min: 5, max: 200 }),
        (diameter, turns) => {
          const { value, low, high } = valueOf(diameterByWraps(diameter * turns, turns));
          expect(value).toBeCloseTo(diameter, 9);
          expect(low).toBeLessThanOrEqual(value);
          expect(high).toBeGreaterThanOrEqual(value);
        },
      ),
    );
  });
});
