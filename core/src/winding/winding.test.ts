import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lengthAfterTurns, lengthBetween, radiusAfter, turnsBetween } from './winding';

const spool = fc.record({
  width: fc.double({ min: 4, max: 80, noNaN: true }),
  inner: fc.double({ min: 4, max: 60, noNaN: true }),
  rise: fc.double({ min: 0, max: 40, noNaN: true }),
  area: fc.double({ min: 0.005, max: 2, noNaN: true }),
});

describe('winding in closed form', () => {
  it('gives the radius back after winding the length between two radii', () => {
    fc.assert(
      fc.property(spool, ({ width, inner, rise, area }) => {
        const length = lengthBetween(width, inner, inner + rise, area);
        expect(radiusAfter(width, inner, area, length)).toBeCloseTo(inner + rise, 6);
      }),
    );
  });

  it('gives the same length by turns as by radii', () => {
    fc.assert(
      fc.property(spool, ({ width, inner, rise, area }) => {
        const turns = turnsBetween(width, inner, inner + rise, area);
        const length = lengthBetween(width, inner, inner + rise, area);
        expect(lengthAfterTurns(width, inner, area, turns)).toBeCloseTo(length, 5);
      }),
    );
  });

  it('never shrinks the spool by winding more on', () => {
    fc.assert(
      fc.property(spool, fc.double({ min: 0, max: 500, noNaN: true }), ({ width, inner, area }, more) => {
        expect(radiusAfter(width, inner, area, more)).toBeGreaterThanOrEqual(inner - 1e-9);
      }),
    );
  });
});
