import { fail, succeed, type Issue, type Result } from '../issue';
import type { Line } from '../lines/line';
import { jacobianOf, leastSquares, propagate, type LeastSquaresFit } from '../numeric/least-squares';
import { checkObservations } from './check-observations';
import { findDisagreement, type Disagreement } from './disagreement';
import type { Estimate } from './estimate';
import { forecastOf, ratingLine } from './forecast';
import type { Observation } from './observation';
import { decodeSpool, FIRST_BULK, priorVector } from './parameters';
import { STARTING_PRIORS, type SpoolPriors } from './priors';
import { arborForCapacity } from './spool-geometry';

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
 * What a spool holds, from whatever is known of it: weighted least squares with priors, by Levenberg–Marquardt.
 *
 * Packing, width and bulk only ever appear as φW/κ, so a surprise is split between the spool's packing and the
 * mounted line's bulk by how sure each was. All ratings of a spool share one rating depth, whose error therefore
 * does not average out.
 *
 * @param observations readings in mm and m; none at all gives the priors back
 * @param priors what is believed beforehand; the shop's own where it has learned some
 * @returns the spool with covariance, or issues for what cannot be
 */
export function inferSpool(
  observations: readonly Observation[],
  priors: SpoolPriors = STARTING_PRIORS,
): Result<InferredSpool> {
  const problems = checkObservations(observations);
  if (problems.length > 0) return fail(...problems);
  const lines = linesIn(observations);
  const taper = taperIn(observations);
  const { mean, sd } = priorVector(scaleToRating(priors, observations), lines);
  const forecasts = observations.map(forecastOf);
  const place = new Map(lines.map((line, i) => [line.key, FIRST_BULK + i]));
  const residualsOf = (vector: readonly number[]): number[] => {
    const spool = decodeSpool(vector, taper);
    const bulkOf = (line: Line): number => Math.exp(vector[place.get(line.key) ?? -1] ?? 0);
    return [
      ...forecasts.map((forecast) => forecast(spool, bulkOf)),
      ...vector.map((value, i) => (value - (mean[i] ?? 0)) / (sd[i] ?? 1)),
    ];
  };
  const fit = leastSquares(residualsOf, mean);
  const inferred = describe(fit, observations, lines, taper, priors);
  return succeed(inferred, contradictions(inferred.disagreement));
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
  lines: readonly Line[],
  taper: number,
  priors: SpoolPriors,
): InferredSpool {
  const figures = (vector: readonly number[]): number[] => {
    const { lipRadius, width, arborRadius, packing, ratingDepth } = decodeSpool(vector, taper);
    return [lipRadius, width, arborRadius, packing, ratingDepth];
  };
  const [lipRadius = 0, width = 0, arborRadius = 0, packing = 0, ratingDepth = 0] = propagate(
    jacobianOf(figures, fit.vector),
    fit.covariance,
  );
  return {
    vector: fit.vector,
    covariance: fit.covariance,
    lines,
    taper,
    priors,
    spool: decodeSpool(fit.vector, taper),
    deviation: { lipRadius, width, arborRadius, packing, ratingDepth },
    residuals: fit.residuals.slice(0, observations.length),
    disagreement: findDisagreement(observations, fit),
  };
}

/** The lines whose bulk the readings say something about. Reference nylon has bulk 1 by definition. */
function linesIn(observations: readonly Observation[]): Line[] {
  const found = new Map<string, Line>();
  for (const observation of observations) {
    if (observation.kind === 'depth') for (const { line } of observation.layers) found.set(line.key, line);
    if (observation.kind === 'rating' && observation.material && observation.material !== 'nylon') {
      const line = ratingLine(observation.diameter, observation.material);
      found.set(line.key, line);
    }
  }
  return [...found.values()];
}

/** Difference of end radii, from the first arbor reading with two ends. */
function taperIn(observations: readonly Observation[]): number {
  for (const observation of observations) {
    if (observation.kind === 'arbor' && observation.farDiameter !== undefined) {
      return Math.abs(observation.farDiameter - observation.diameter) / 2;
    }
  }
  return 0;
}

/** Moves the believed lip radius to where the first rating's capacity fits the other beliefs. */
export function scaleToRating(priors: SpoolPriors, observations: readonly Observation[]): SpoolPriors {
  const rating = observations.find((observation) => observation.kind === 'rating');
  if (!rating) return priors;
  const capacity = rating.length * rating.diameter ** 2 * bulkOfRating(rating.material, priors);
  const { aspect, arborShare, packing, ratingDepth } = priors;
  let low = 1;
  let high = 1000;
  while (high - low > 1e-6) {
    const lipRadius = (low + high) / 2;
    const spool = {
      lipRadius,
      width: lipRadius * aspect.median,
      packing: packing.median,
      ratingDepth: ratingDepth.median,
    };
    const arbor = arborForCapacity(spool, capacity);
    if (arbor !== null && lipRadius > ratingDepth.median && arbor / lipRadius > arborShare.median)
      high = lipRadius;
    else low = lipRadius;
  }
  return { ...priors, lip: { ...priors.lip, median: high } };
}

const bulkOfRating = (material: Line['material'] = 'nylon', priors: SpoolPriors): number =>
  material === 'nylon' ? 1 : priors.bulk[material].median;
