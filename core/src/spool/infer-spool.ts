import { fail, succeed, type Issue, type Result } from '../issue';
import { jacobianOf, propagate } from '../numeric/jacobian';
import { leastSquares, type LeastSquaresFit } from '../numeric/least-squares';
import { checkObservations } from './check-observations';
import { findDisagreement, type Disagreement } from './disagreement';
import type { Estimate } from './estimate';
import { forecastOf } from './forecast';
import type { Observation } from './observation';
import { decodeSpool, PLACE } from './parameters';
import { STARTING_PRIORS, type SpoolPriors } from './priors';
import { otherStarts, unknownsOf, type Unknowns } from './unknowns';

/** A spool as inferred, with how sure each figure is and which reading does not fit the others. */
export interface InferredSpool extends Estimate {
  /** One standard deviation of each figure, in its own unit (mm; packing as a share). */
  readonly deviation: {
    readonly lipRadius: number;
    readonly width: number;
    readonly arborRadius: number;
    readonly packing: number;
    readonly ratingDepth: number;
  };
  /** Residual of each observation, in the reading's standard deviations, in the order given. */
  readonly residuals: readonly number[];
  /** The reading that disagrees most with the rest, where one does so noticeably. */
  readonly disagreement: Disagreement | null;
}

/**
 * What a spool holds, from whatever is known of it: weighted least squares with priors, by Levenberg–Marquardt from
 * several starts where one is not enough; the end is checked by its gradient.
 *
 * Packing, width and bulk only ever appear as φW/κ, so a surprise is split between the spool's packing and the
 * mounted line's bulk by how sure each was. All ratings of a spool share one rating depth and one maker's bias, whose
 * errors therefore do not average out.
 *
 * @param observations readings in mm and m; none at all gives the priors back
 * @param priors what is believed beforehand: its type's, or the shop's own where it has learned some
 * @returns the spool with covariance, or issues for what cannot be and for readings no spool fits
 */
export function inferSpool(
  observations: readonly Observation[],
  priors: SpoolPriors = STARTING_PRIORS,
): Result<InferredSpool> {
  const problems = checkObservations(observations);
  if (problems.length > 0) return fail(...problems);
  const unknowns = unknownsOf(observations, priors);
  const fit = fitSpool(observations, unknowns);
  if (!fit?.converged) return fail(UNSETTLED);
  const inferred = describe(fit, observations, unknowns, priors);
  return succeed(inferred, contradictions(inferred.disagreement));
}

const UNSETTLED: Issue = {
  code: 'does-not-settle',
  severity: 'error',
  sentence:
    'No spool comes near all of these readings together. Leave out the one you trust least, and measure again.',
};

/**
 * The least squares of readings and beliefs.
 *
 * @param from where to start; the middle of the beliefs, and other places where that leads nowhere, unless said
 */
export function fitSpool(
  observations: readonly Observation[],
  unknowns: Unknowns,
  from?: readonly number[],
): LeastSquaresFit | null {
  const { mean, sd, worldOf } = unknowns;
  const forecasts = observations.map(forecastOf);
  const residualsOf = (vector: readonly number[]): number[] => {
    const world = worldOf(vector);
    const residuals = forecasts.map((forecast) => forecast(world));
    for (let i = 0; i < vector.length; i += 1)
      residuals.push(((vector[i] ?? 0) - (mean[i] ?? 0)) / (sd[i] ?? 1));
    return residuals;
  };
  return leastSquares(residualsOf, from ?? mean, {
    scale: sd,
    others: from ? [] : otherStarts(unknowns),
    measured: observations.length,
  });
}

/** A reading that disagrees is a caution, not an error: the plan stands, wider, and a person decides which to drop. */
const contradictions = (disagreement: Disagreement | null): Issue[] =>
  disagreement === null
    ? []
    : [
        {
          code: 'reading-disagrees',
          severity: 'caution',
          sentence: disagreement.sentence,
          at: `observations.${String(disagreement.index)}`,
          values: { excess: disagreement.excess, standardised: disagreement.standardised },
        },
      ];

function describe(
  fit: LeastSquaresFit,
  observations: readonly Observation[],
  unknowns: Unknowns,
  priors: SpoolPriors,
): InferredSpool {
  const figures = (vector: readonly number[]): number[] => {
    const { lipRadius, width, arborRadius, packing, ratingDepth } = decodeSpool(vector);
    return [lipRadius, width, arborRadius, packing, ratingDepth];
  };
  const [lipRadius = 0, width = 0, arborRadius = 0, packing = 0, ratingDepth = 0] = propagate(
    jacobianOf(figures, fit.vector),
    fit.covariance,
  );
  return {
    vector: fit.vector,
    covariance: fit.covariance,
    lines: unknowns.lines,
    priors,
    spool: decodeSpool(fit.vector),
    deviation: { lipRadius, width, arborRadius, packing, ratingDepth },
    residuals: fit.residuals.slice(0, observations.length),
    disagreement: findDisagreement(observations, fit, (kept) => refit(kept, unknowns, fit.vector)),
  };
}

/** How much wider the beliefs about a spool's shape are taken where readings are compared with each other alone. */
const FREER = 3;

/** A fit that holds little by what such spools usually are: what it still finds odd are the readings among themselves. */
function refit(
  observations: readonly Observation[],
  unknowns: Unknowns,
  from: readonly number[],
): LeastSquaresFit | null {
  const sd = unknowns.sd.map((one, i) => (i <= PLACE.arbor ? FREER * one : one));
  return fitSpool(observations, { ...unknowns, sd }, from);
}
