import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { dot, jacobianOf, normalMatrix } from './jacobian';

/** Residuals of a vector, each in its own standard deviations. */
export type ResidualsOf = (vector: readonly number[]) => number[];

/** Where a descent ended. */
export interface Descent {
  readonly vector: readonly number[];
  /** Sum of the squared residuals there. */
  readonly cost: number;
  readonly settled: boolean;
}

const ITERATIONS = 300;
/** The Gauss–Newton step left at the end, in standard deviations. */
const SETTLED = 1e-3;
/** Worth going on to: an order below what has to be shown. */
const AIM = 1e-6;

const costOf = (residuals: readonly number[]): number => dot(residuals, residuals);
const finite = (cost: number): boolean => cost < 1e300;

/**
 * Levenberg–Marquardt with the damping of H. B. Nielsen (Damping parameter in Marquardt's method, IMM-REP-1999-05; title
 * from memory): the damping follows the gain of each step and is kept between steps, so that a refused step is followed by
 * a shorter one until one is accepted or the step left is below a millionth of a standard deviation. The end is judged
 * by its gradient, never by how little the last step moved.
 *
 * @param scale one unit of step of each parameter; with priors among the residuals JᵀJ is then at least the unit matrix
 * @returns null where the start itself has no finite residuals
 */
export function descend(
  residualsOf: ResidualsOf,
  start: readonly number[],
  scale: readonly number[],
): Descent | null {
  let vector = [...start];
  let residuals = residualsOf(vector);
  let cost = costOf(residuals);
  if (!finite(cost)) return null;
  let [damping, raise, left] = [1e-3, 2, Infinity];
  let slope = slopeAt(residualsOf, vector, residuals, scale);
  for (let i = 0; i < ITERATIONS && slope; i += 1) {
    left = Math.sqrt(Math.max(0, dot(slope.gradient, solve(slope.normal, slope.gradient, 0) ?? [Infinity])));
    if (!(left > AIM)) break;
    const step = solve(slope.normal, slope.gradient, damping);
    if (!step) break;
    const next = vector.map((value, j) => value - (step[j] ?? 0) * (scale[j] ?? 1));
    const then = residualsOf(next);
    const lower = costOf(then);
    // What the linear model promised for this step: pᵀ(μp + g).
    const promised = dot(
      step,
      step.map((part, j) => damping * part + (slope?.gradient[j] ?? 0)),
    );
    const gain = finite(lower) ? (cost - lower) / promised : -1;
    if (gain > 0 && promised > 0) {
      [vector, residuals, cost] = [next, then, lower];
      slope = slopeAt(residualsOf, vector, residuals, scale);
      damping *= Math.max(1 / 3, 1 - (2 * gain - 1) ** 3);
      raise = 2;
    } else {
      damping *= raise;
      raise *= 2;
    }
    if (damping > 1e18) break;
  }
  return { vector, cost, settled: left < SETTLED };
}

interface Slope {
  readonly normal: readonly (readonly number[])[];
  /** Jᵀr in units of scale. */
  readonly gradient: readonly number[];
}

function slopeAt(
  residualsOf: ResidualsOf,
  vector: readonly number[],
  residuals: readonly number[],
  scale: readonly number[],
): Slope | null {
  const jacobian = jacobianOf(residualsOf, vector, scale).map((row) =>
    row.map((part, i) => part * (scale[i] ?? 1)),
  );
  const gradient = scale.map((_, i) =>
    residuals.reduce((sum, residual, row) => sum + residual * (jacobian[row]?.[i] ?? 0), 0),
  );
  return gradient.every(Number.isFinite) ? { normal: normalMatrix(jacobian), gradient } : null;
}

/** (N + μI)⁻¹ g, or null where the matrix is not positive definite. */
function solve(
  normal: readonly (readonly number[])[],
  gradient: readonly number[],
  damping: number,
): number[] | null {
  const damped = new Matrix(
    normal.map((row, i) => row.map((value, j) => (i === j ? value + damping : value))),
  );
  const cholesky = new CholeskyDecomposition(damped);
  if (!cholesky.isPositiveDefinite()) return null;
  const step = cholesky.solve(Matrix.columnVector([...gradient])).to1DArray();
  return step.every(Number.isFinite) ? step : null;
}
