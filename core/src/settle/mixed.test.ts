import { expect, it } from 'vitest';
import { ranged } from '../numeric/ranged';
import { mixed } from './mixed';

it('one account is told as it is, two as far as either reaches by how likely it is', () => {
  const near = ranged(100, 2);
  const far = ranged(140, 2);
  const alone = mixed([{ figure: near, weight: 1 }]);
  for (const end of ['value', 'sd', 'low', 'high'] as const) expect(alone[end]).toBeCloseTo(near[end], 4);
  const highOf = (weight: number): number =>
    mixed([
      { figure: near, weight: 1 - weight },
      { figure: far, weight },
    ]).high;
  expect(highOf(0.02)).toBeCloseTo(near.high, 0);
  // What is likelier than one in ten is reached, and a little less than that no further than its own side.
  expect(highOf(0.2)).toBeCloseTo(140, 1);
  const highs = [0, 0.02, 0.05, 0.08, 0.12, 0.2, 0.5].map(highOf);
  expect(highs).toEqual([...highs].sort((a, b) => a - b));
});
