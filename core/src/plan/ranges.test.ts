import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { inferSpool } from '../spool/infer-spool';
import { bulkBelief, decodeSpool } from '../spool/parameters';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { normalFrom, percentile, seeded } from '../numeric/random';
import { planFill } from './plan-fill';
import { stackLayers, type Stack } from './stack';

const DRAWS = 20_000;

/** The worked plan on spools and lines drawn at random from the estimate: what linear propagation approximates. */
function monteCarlo(known: number): Stack[] {
  const estimate = valueOf(inferSpool(WORKED_READINGS.slice(0, known)));
  const normal = normalFrom(seeded(7));
  const covariance = new Matrix(estimate.covariance.map((row) => [...row]));
  const even = Matrix.add(covariance, covariance.transpose()).div(2);
  const factor = new CholeskyDecomposition(even).lowerTriangularMatrix;
  return Array.from({ length: DRAWS }, () => {
    const step = factor.mmul(Matrix.columnVector(estimate.vector.map(normal))).to1DArray();
    const spool = decodeSpool(estimate.vector.map((value, i) => value + step[i]!));
    const bulk = new Map(
      [MAIN, BACKING].map((line) => {
        const { median, sd } = bulkBelief(line, estimate.priors);
        return [line.key, median * Math.exp(sd * normal())];
      }),
    );
    return stackLayers(spool, ({ key }) => bulk.get(key)!, WORKED_REQUEST);
  });
}

describe('likely ranges', () => {
  it.each([4, 5])('with %s readings are those of a Monte Carlo, within 5 %', (known) => {
    const draws = monteCarlo(known);
    const [backing, main] = valueOf(
      planFill(valueOf(inferSpool(WORKED_READINGS.slice(0, known))), WORKED_REQUEST),
    ).layers;
    const check = (figure: (stack: Stack) => number, low: number, high: number): void => {
      const figures = draws.map(figure);
      expect(Math.abs(low / percentile(figures, 0.1) - 1)).toBeLessThan(0.05);
      expect(Math.abs(high / percentile(figures, 0.9) - 1)).toBeLessThan(0.05);
    };
    check((stack) => stack.layers[0]!.length, backing!.length.low, backing!.length.high);
    check(
      (stack) => stack.lipRadius - stack.layers[0]!.outer,
      backing!.depthAfter.low,
      backing!.depthAfter.high,
    );
    check((stack) => stack.layers[1]!.spoolTurns / 5.2, main!.handleTurns.low, main!.handleTurns.high);
  });

  it('never reach below zero', () => {
    const estimate = valueOf(inferSpool([]));
    const [backing] = valueOf(planFill(estimate, WORKED_REQUEST)).layers;
    expect(backing!.length.low).toBe(0);
    expect(backing!.handleTurns.low).toBe(0);
  });
});
