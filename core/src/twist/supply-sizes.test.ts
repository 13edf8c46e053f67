import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { supplySizes } from './supply-sizes';

const spool = { flangeMm: 120, coreMm: 60, receivedMm: 1_000_000, lengthMm: 1_000_000 };

describe('supplySizes', () => {
  it('starts at the flange of a full spool and ends at its core', () => {
    expect(supplySizes(spool, 1000)).toEqual({ diameters: [120, 60], measured: true });
  });

  it('falls by equal areas for equal lengths', () => {
    const [, half] = supplySizes(spool, 500).diameters;
    expect(half ** 2).toBeCloseTo((120 ** 2 + 60 ** 2) / 2, 6);
  });

  it('says when nobody has measured the spool, and takes a usual one', () => {
    expect(supplySizes({ ...spool, flangeMm: null }, 100).measured).toBe(false);
  });

  it('never grows while line leaves, and stays between core and flange', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.integer({ min: 0, max: 2000 }),
        (left, drawn) => {
          const [start, end] = supplySizes({ ...spool, lengthMm: left }, drawn).diameters;
          expect(end).toBeLessThanOrEqual(start);
          expect(start).toBeLessThanOrEqual(120);
          expect(end).toBeGreaterThanOrEqual(60);
        },
      ),
    );
  });
});
