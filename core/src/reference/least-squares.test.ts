import { linearRegression, standardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { leastSquares } from '../numeric/least-squares';

const POINTS = [
  [0.2, 1.9],
  [1.1, 4.4],
  [2.3, 6.1],
  [3.7, 9.9],
  [4.4, 10.2],
  [5.9, 14.7],
] as const;

describe('least squares against a statistics library', () => {
  const fit = leastSquares(
    ([slope = 0, start = 0]) => POINTS.map(([x, y]) => y - slope * x - start),
    [0, 0],
  )!;

  it('finds the library’s regression line', () => {
    const { m, b } = linearRegression(POINTS.map((point) => [...point]));
    expect(fit.vector[0]).toBeCloseTo(m, 6);
    expect(fit.vector[1]).toBeCloseTo(b, 6);
  });

  it('gives the textbook covariance of the slope, 1/(n s²) for unit variance', () => {
    const spread = standardDeviation(POINTS.map(([x]) => x));
    expect(fit.covariance[0]![0]).toBeCloseTo(1 / (POINTS.length * spread ** 2), 6);
  });

  it('gives leverages that add up to the number of parameters', () => {
    expect(fit.leverage.reduce((sum, one) => sum + one, 0)).toBeCloseTo(2, 6);
  });
});
