import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** The best vector, its covariance, and how strongly each residual holds itself (0 free, 1 pinned). */
export interface LeastSquaresFit {
  readonly vector: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  readonly residuals: readonly number[];
  readonly leverage: readonly number[];
}

const STEP = 1e-5;
/** Iterations run between two looks at whether the vector still moves, and how often at most. */
const ITERATIONS = 4;
const ROUNDS = 12;
const SETTLED = 1e-8;

/**
 * Minimises the sum of squared residuals, each already divided by its standard deviation (so priors are residuals
 * too), by Levenberg–Marquardt; covariance is the inverse of JᵀJ at the minimum.
 *
 * @param residualsOf residuals of a vector; always the same count, at least as many as parameters
 * @param start a vector near the minimum, for instance the priors' middle
 * @throws where JᵀJ is singular, which a full set of priors rules out
 */
export function leastSquares(
  residualsOf: (vector: readonly number[]) => number[],
  start: readonly number[],
): LeastSquaresFit {
  const vector = descend(residualsOf, start);
  const jacobian = new Matrix(jacobianOf(residualsOf, vector));
  const normal = jacobian.transpose().mmul(jacobian);
  const covariance = new CholeskyDecomposition(normal).solve(Matrix.eye(vector.length));
  const spread = jacobian.mmul(covariance);
  const leverage = Array.from({ length: jacobian.rows }, (_, i) => dot(spread.getRow(i), jacobian.getRow(i)));
  return { vector, covariance: covariance.to2DArray(), residuals: residualsOf(vector), leverage };
}

/**
 * The library stops at an error it is told beforehand, which a fit with priors never reaches: it would always run to its
 * last iteration. It is therefore run a few iterations at a time until it no longer moves.
 */
function descend(
  residualsOf: (vector: readonly number[]) => number[],
  start: readonly number[],
): readonly number[] {
  const count = residualsOf(start).length;
  const data = { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) };
  let vector = [...start];
  for (let round = 0; round < ROUNDS; round += 1) {
    const { parameterValues } = levenbergMarquardt(
      data,
      (parameters) => {
        const residuals = residualsOf(parameters);
        return (i) => residuals[i] ?? 0;
      },
      {
        initialValues: vector,
        damping: 1e-3,
        gradientDifference: STEP,
        maxIterations: ITERATIONS,
        errorTolerance: 1e-9,
        centralDifference: true,
      },
    );
    const moved = Math.max(...parameterValues.map((value, i) => Math.abs(value - (vector[i] ?? 0))));
    vector = parameterValues;
    if (moved < SETTLED) break;
  }
  return vector;
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] ?? 0), 0);

/** Central differences: row per output, column per parameter. */
export function jacobianOf(
  outputsOf: (vector: readonly number[]) => readonly number[],
  at: readonly number[],
): number[][] {
  const rows: number[][] = outputsOf(at).map(() => []);
  const vector = [...at];
  at.forEach((middle, column) => {
    vector[column] = middle + STEP;
    const above = outputsOf(vector);
    vector[column] = middle - STEP;
    const below = outputsOf(vector);
    vector[column] = middle;
    rows.forEach((row, i) => row.push(((above[i] ?? 0) - (below[i] ?? 0)) / (2 * STEP)));
  });
  return rows;
}

/** Standard deviation of each output, by linear propagation of a covariance. */
export const propagate = (
  jacobian: readonly (readonly number[])[],
  covariance: readonly (readonly number[])[],
): number[] =>
  jacobian.map((row) =>
    Math.sqrt(
      Math.max(
        0,
        dot(
          row,
          covariance.map((line) => dot(line, row)),
        ),
      ),
    ),
  );
