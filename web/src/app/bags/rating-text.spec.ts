import { parseRating, type UnitSystem } from '@yard-spool/core';
import { settleRating } from './rating-text';

describe('settleRating', () => {
  it.each<[string, UnitSystem, string]>([
    ['208 x 0.25', 'metric', '208 m × 0.25 mm'],
    ['0.25/208', 'metric', '208 m × 0.25 mm'],
    ['230 × .010', 'imperial', '230 yd × .010 in'],
    ['208,5 * 0,25', 'metric', '208,5 m × 0,25 mm'],
    ['208 m x 0.25 mm', 'imperial', '208 m x 0.25 mm'],
    ['lots', 'metric', 'lots'],
    ['', 'metric', ''],
  ])('%s in %s becomes %s', (typed, system, settled) => {
    expect(settleRating(typed, system)).toBe(settled);
  });

  it.each<[string, UnitSystem, UnitSystem]>([
    ['230 x 0.25', 'metric', 'imperial'],
    ['230 x 0.012', 'imperial', 'metric'],
  ])('%s in %s means the same after a switch to %s', (typed, system, other) => {
    const meant = parseRating(typed, system);
    expect(meant.ok).toBe(true);
    expect(parseRating(settleRating(typed, system), other)).toEqual(meant);
  });
});
