import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judgeDrag } from './judge-drag';

const PARTS = [
  { name: 'backing', strength: 6 },
  { name: 'main', strength: 9 },
  { name: 'leader', strength: 4.8 },
];

describe('judgeDrag', () => {
  it('holds a reading against a quarter to a third of the weakest part, a leader among them', () => {
    const { weakest, range } = judgeDrag(1.4, null, PARTS);
    expect(weakest).toEqual({ name: 'leader', strength: 4.8, knot: 0.85 * 4.8 });
    expect(range?.low).toBeCloseTo(1.2, 9);
    expect(range?.high).toBeCloseTo(1.6, 9);
  });

  it.each([
    [1.4, null, 'fits'],
    [0.6, null, 'low'],
    [2.4, null, 'high'],
    [4.2, null, 'breaks'],
    [2.4, 2.5, 'fits'],
    [1.4, 2.5, 'not-as-asked'],
    [4.2, 4.2, 'breaks'],
  ] as const)('%s kg where %s was asked is %s', (read, asked, verdict) => {
    expect(judgeDrag(read, asked, PARTS).verdict).toBe(verdict);
  });

  it('says nothing of strength where none is known, and still holds it against what was asked', () => {
    const unknown = [{ name: 'main', strength: null }];
    expect(judgeDrag(3, null, unknown)).toMatchObject({ verdict: 'fits', weakest: null, range: null });
    expect(judgeDrag(3, 4, unknown).verdict).toBe('not-as-asked');
  });

  it('never lets more than the weakest knot stands pass, whatever was asked', () => {
    const kg = fc.double({ min: 0.1, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        kg,
        fc.option(kg),
        fc.array(kg, { minLength: 1, maxLength: 4 }),
        (read, asked, strengths) => {
          const parts = strengths.map((strength) => ({ name: 'a line', strength }));
          const breaks = judgeDrag(read, asked, parts).verdict === 'breaks';
          expect(breaks).toBe(read > 0.85 * Math.min(...strengths));
        },
      ),
    );
  });
});
