import { descend, type Descent, type ResidualsOf } from './descend';
import { dot, jacobianOf, normalMatrix } from './jacobian';
import { invertPositive } from './positive';

/** The best vector, its covariance, and how strongly each residual holds itself (0 free, 1 pinned). */
export interface LeastSquaresFit {
  readonly vector: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  readonly residuals: readonly number[];
  readonly leverage: readonly number[];
  /** Sum of the squared residuals. */
  readonly cost: number;
  /**
   * Whether the gradient is near zero at the end: the Gauss–Newton step from there is under a thousandth of a standard
   * deviation.
   */
  readonly converged: boolean;
}

/** A descent that fits worse than this many squares a reading, and some for its beliefs, looks elsewhere too. */
const FITS_WELL = { each: 2, beside: 6 } as const;

/**
 * Minimises the sum of squared residuals, each already divided by its standard deviation (so priors are residuals
 * too), by Levenberg–Marquardt from one start, and from the others where it does not converge or fits badly; covariance is
 * the inverse of JᵀJ at the minimum.
 *
 * @param residualsOf residuals of a vector; always the same count, at least as many as parameters
 * @param start a vector near the minimum, for instance the priors' middle
 * @param options.scale how far each parameter usually lies from its start: one unit of step
 * @param options.others further starting points
 * @param options.measured how many of the residuals are readings; the rest are priors
 * @returns null where no start leads anywhere finite
 */
export function leastSquares(
  residualsOf: ResidualsOf,
  start: readonly number[],
  {
    scale = start.map(() => 1),
    others = [],
    measured = Infinity,
  }: {
    readonly scale?: readonly number[];
    readonly others?: readonly (readonly number[])[];
    readonly measured?: number;
  } = {},
): LeastSquaresFit | null {
  const count = residualsOf(start).length;
  let best = descend(residualsOf, start, scale);
  const enough = FITS_WELL.each * Math.min(count, measured) + FITS_WELL.beside;
  if (!best?.converged || best.cost > enough) {
    for (const other of others) best = better(best, descend(residualsOf, other, scale));
  }
  return best && summarise(residualsOf, best, scale);
}

/** The converged one of two ends, the lower where both are. */
function better(a: Descent | null, b: Descent | null): Descent | null {
  if (!a || !b) return a ?? b;
  if (a.converged !== b.converged && Math.abs(a.cost - b.cost) < 1e-3 * (1 + a.cost))
    return a.converged ? a : b;
  return b.cost < a.cost ? b : a;
}

function summarise(
  residualsOf: ResidualsOf,
  { vector, cost, converged }: Descent,
  scale: readonly number[],
): LeastSquaresFit | null {
  const jacobian = jacobianOf(residualsOf, vector, scale);
  // In steps of one scale each the matrix is well conditioned whatever the units are.
  const scaled = jacobian.map((row) => row.map((slope, i) => slope * (scale[i] ?? 1)));
  const inverse = invertPositive(normalMatrix(scaled));
  if (!inverse) return null;
  const covariance = inverse.map((row, i) =>
    row.map((value, j) => value * (scale[i] ?? 1) * (scale[j] ?? 1)),
  );
  const leverage = jacobian.map((row) =>
    dot(
      row,
      covariance.map((line) => dot(line, row)),
    ),
  );
  return { vector, covariance, residuals: residualsOf(vector), leverage, cost, converged };
}
