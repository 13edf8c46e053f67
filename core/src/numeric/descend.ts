import { dot, jacobianOf, normalMatrix } from './jacobian';
import { factorise, solveFactorised } from './positive';

/** Residuals of a vector, each in its own standard deviations. */
export type ResidualsOf = (vector: readonly number[]) => number[];

/** Where a descent ended. */
export interface Descent {
  readonly vector: readonly number[];
  /** Sum of the squared residuals there. */
  readonly cost: number;
  readonly converged: boolean;
}

const ITERATIONS = 300;
/** The Gauss–Newton step left at the end, in standard deviations. */
const CONVERGED = 1e-3;
/** Worth going on to: an order below what has to be shown. */
const AIM = 1e-5;
/** Down to here slopes from differences to one side lead. */
const COARSE = 1e-2;

const costOf = (residuals: readonly number[]): number => dot(residuals, residuals);
const finite = (cost: number): boolean => cost < 1e300;

/**
 * Levenberg–Marquardt with the damping of H. B. Nielsen (Damping parameter in Marquardt's method, IMM-REP-1999-05; title
 * from memory): the damping follows the gain of each step and is kept between steps, so that a refused step is followed by
 * a shorter one until one is accepted or the step left is below a hundred-thousandth of a standard deviation. The end is judged
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
  const first = residualsOf(start);
  let at: Place = { vector: start, residuals: first, cost: costOf(first) };
  if (!finite(at.cost)) return null;
  let damping = 1e-3;
  let raise = 2;
  // Far from the end differences to one side do; they take half the time.
  let exact = false;
  let slope = slopeAt(residualsOf, at, scale, exact);
  for (let i = 0; i < ITERATIONS && slope && damping < 1e18; i += 1) {
    const step = solve(slope, damping);
    if (!step) break;
    if (isShort(slope, step, exact ? AIM : COARSE)) {
      if (exact) break;
      exact = true;
      slope = slopeAt(residualsOf, at, scale, exact);
      continue;
    }
    const tried = tryStep(residualsOf, at, scale, step);
    const gain = (at.cost - tried.cost) / promisedBy(slope, step, damping);
    if (gain > 0) {
      at = tried;
      slope = slopeAt(residualsOf, at, scale, exact);
      damping *= Math.max(1 / 3, 1 - (2 * gain - 1) ** 3);
      raise = 2;
    } else {
      damping *= raise;
      raise *= 2;
    }
  }
  const end = exact ? slope : slopeAt(residualsOf, at, scale, true);
  return { vector: at.vector, cost: at.cost, converged: end !== null && wholeStep(end) < CONVERGED };
}

/** A vector with what it comes to. */
interface Place {
  readonly vector: readonly number[];
  readonly residuals: readonly number[];
  readonly cost: number;
}

function tryStep(
  residualsOf: ResidualsOf,
  { vector }: Place,
  scale: readonly number[],
  step: readonly number[],
): Place {
  const next = vector.map((value, j) => value - (step[j] ?? 0) * (scale[j] ?? 1));
  const residuals = residualsOf(next);
  const cost = costOf(residuals);
  return { vector: next, residuals, cost: finite(cost) ? cost : Infinity };
}

/** What the linear model promises for a step: pᵀ(μp + g). */
const promisedBy = ({ gradient }: Slope, step: readonly number[], damping: number): number =>
  Math.max(
    Number.MIN_VALUE,
    dot(
      step,
      step.map((part, j) => damping * part + (gradient[j] ?? 0)),
    ),
  );

/** A damped step is shorter than the one that is left: only where it is short is the whole one looked at. */
const isShort = (slope: Slope, step: readonly number[], aim: number): boolean =>
  !(Math.sqrt(Math.max(0, dot(slope.gradient, step))) > aim) && !(wholeStep(slope) > aim);

/** Length of the Gauss–Newton step that is left, in standard deviations. */
const wholeStep = (slope: Slope): number =>
  Math.sqrt(Math.max(0, dot(slope.gradient, solve(slope, 0) ?? [Infinity])));

interface Slope {
  readonly normal: readonly (readonly number[])[];
  /** Jᵀr in units of scale. */
  readonly gradient: readonly number[];
}

function slopeAt(
  residualsOf: ResidualsOf,
  { vector, residuals }: Place,
  scale: readonly number[],
  exact: boolean,
): Slope | null {
  const jacobian = jacobianOf(residualsOf, vector, scale, exact ? undefined : residuals).map((row) =>
    row.map((part, i) => part * (scale[i] ?? 1)),
  );
  const gradient = scale.map((_, i) =>
    residuals.reduce((sum, residual, row) => sum + residual * (jacobian[row]?.[i] ?? 0), 0),
  );
  return gradient.every(Number.isFinite) ? { normal: normalMatrix(jacobian), gradient } : null;
}

/** (N + μI)⁻¹ g, or null where the matrix is not positive definite. */
function solve({ normal, gradient }: Slope, damping: number): number[] | null {
  const lower = factorise(normal, damping);
  if (!lower) return null;
  const step = solveFactorised(lower, gradient);
  return step.every(Number.isFinite) ? step : null;
}
