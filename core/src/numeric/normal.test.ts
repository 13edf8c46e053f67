import { describe, expect, it } from 'vitest';
import { chanceBelow, NINETIETH } from './normal';

describe('the normal distribution', () => {
  // Abramowitz & Stegun (1964), table 26.1.
  it.each([
    [0, 0.5],
    [0.5, 0.6914624613],
    [1, 0.8413447461],
    [2, 0.9772498681],
    [3, 0.998650102],
  ])('lies below %f as its table says, and as seldom above', (z, share) => {
    expect(chanceBelow(z)).toBeCloseTo(share, 6);
    expect(chanceBelow(-z)).toBeCloseTo(1 - share, 6);
  });

  it('has nine tenths below its ninetieth', () => {
    expect(chanceBelow(NINETIETH)).toBeCloseTo(0.9, 5);
    expect(chanceBelow(40)).toBe(1);
    expect(chanceBelow(-40)).toBe(0);
  });
});
