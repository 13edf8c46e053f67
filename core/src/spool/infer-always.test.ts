import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { inferSpool } from './infer-spool';
import type { Observation } from './observation';

/** Readings of a spool that exists, each a little off. */
const readings = fc
  .record({
    lip: fc.double({ min: 15, max: 60, noNaN: true }),
    aspect: fc.double({ min: 0.45, max: 1.3, noNaN: true }),
    share: fc.double({ min: 0.4, max: 0.8, noNaN: true }),
    packing: fc.double({ min: 0.6, max: 0.8, noNaN: true }),
    keep: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
  })
  .map(({ lip, aspect, share, packing, keep }) => {
    const width = lip * aspect;
    const capacity = (4 * packing * width * ((lip - 1.5) ** 2 - (lip * share) ** 2)) / 1000;
    const all: Observation[] = [
      { kind: 'rating', length: capacity / 0.25 ** 2, diameter: 0.25 },
      { kind: 'rating', length: capacity / 0.4 ** 2, diameter: 0.4 },
      { kind: 'lip', diameter: 2 * lip },
      { kind: 'width', width },
      { kind: 'arbor', diameter: 2 * lip * share },
    ];
    return { lip, given: all.filter((_, i) => keep[i]) };
  })
  .filter(({ given }) =>
    given.every((one) => one.kind !== 'rating' || (one.length > 6 && one.length < 4900)),
  );

describe('inferSpool always', () => {
  it('gives a spool that can exist, with a doubt on every figure', () => {
    fc.assert(
      fc.property(readings, ({ given }) => {
        const { spool, deviation, covariance } = valueOf(inferSpool(given));
        expect(spool.arborRadius).toBeGreaterThan(0);
        expect(spool.arborRadius).toBeLessThan(spool.lipRadius);
        expect(spool.width).toBeGreaterThan(0);
        expect(spool.packing).toBeGreaterThan(0);
        for (const sd of Object.values(deviation)) expect(sd).toBeGreaterThan(0);
        covariance.forEach((row, i) => expect(row[i]).toBeGreaterThan(0));
      }),
      { numRuns: 60 },
    );
  });

  it('does not depend on the order of the readings', () => {
    fc.assert(
      fc.property(readings, ({ given }) => {
        const ratings = given.filter(({ kind }) => kind === 'rating');
        const rest = given.filter(({ kind }) => kind !== 'rating');
        const [one, other] = [
          [...ratings, ...rest],
          [...ratings, ...rest.reverse()],
        ].map((list) => valueOf(inferSpool(list)).spool);
        expect(other!.lipRadius).toBeCloseTo(one!.lipRadius, 4);
        expect(other!.arborRadius).toBeCloseTo(one!.arborRadius, 4);
      }),
      { numRuns: 40 },
    );
  });

  it('is no less sure of the lip for having measured it', () => {
    fc.assert(
      fc.property(readings, ({ lip, given }) => {
        const without = given.filter(({ kind }) => kind !== 'lip');
        const before = valueOf(inferSpool(without)).deviation.lipRadius;
        const after = valueOf(inferSpool([...without, { kind: 'lip', diameter: 2 * lip }]));
        expect(after.deviation.lipRadius).toBeLessThan(Math.min(before, 0.16));
        expect(Math.abs(after.spool.lipRadius - lip)).toBeLessThan(0.5);
      }),
      { numRuns: 40 },
    );
  });
});
