import type { LeastSquaresFit } from '../numeric/least-squares';
import type { Observation } from './observation';
import { READING_SD } from './priors';

/** The reading that fits the others least. */
export interface Disagreement {
  /** Its place among the observations. */
  readonly index: number;
  /** How many standard deviations it lies from what the rest say. */
  readonly standardised: number;
  /** How much more it says than the rest: a share for ratings and retrieves (0.12 is 12 % more), mm otherwise. */
  readonly excess: number;
  readonly sentence: string;
}

/** From this many standard deviations on a reading is pointed out. */
const NOTICEABLE = 2.5;

/**
 * Compares each reading with what the rest predict for it (the deleted residual of linear least squares,
 * r/(1 − h), and its standardised form r/√(1 − h)).
 */
export function findDisagreement(
  observations: readonly Observation[],
  fit: LeastSquaresFit,
): Disagreement | null {
  let worst: Disagreement | null = null;
  observations.forEach((observation, index) => {
    const residual = fit.residuals[index] ?? 0;
    const free = Math.max(1e-6, 1 - (fit.leverage[index] ?? 0));
    const standardised = residual / Math.sqrt(free);
    if (Math.abs(standardised) < NOTICEABLE || Math.abs(standardised) <= Math.abs(worst?.standardised ?? 0))
      return;
    const excess = excessOf(observation, residual / free);
    worst = { index, standardised, excess, sentence: sentenceFor(observation, excess) };
  });
  return worst;
}

function excessOf(observation: Observation, deletedResidual: number): number {
  switch (observation.kind) {
    case 'rating':
      return Math.exp(deletedResidual * READING_SD.rating) - 1;
    case 'retrieve':
      return Math.exp(deletedResidual * READING_SD.retrieve) - 1;
    case 'depth':
      return deletedResidual * (observation.sd ?? READING_SD[observation.by]);
    default:
      return deletedResidual * READING_SD[observation.kind];
  }
}

function sentenceFor(observation: Observation, excess: number): string {
  const relative = observation.kind === 'rating' || observation.kind === 'retrieve';
  const amount = relative ? `${(Math.abs(excess) * 100).toFixed(0)} %` : `${Math.abs(excess).toFixed(1)} mm`;
  return `The ${nameOf(observation)} says ${amount} ${excess > 0 ? 'more' : 'less'} than the rest.`;
}

function nameOf(observation: Observation): string {
  switch (observation.kind) {
    case 'rating':
      return `${observation.diameter.toFixed(2)} rating`;
    case 'retrieve':
      return 'retrieve per turn';
    case 'width':
      return 'winding width';
    case 'depth':
      return 'depth reading';
    default:
      return `${observation.kind} diameter`;
  }
}
