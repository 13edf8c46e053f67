import type { Observation } from './observation';
import type { SpoolPriors } from './priors';
import { arborForCapacity } from './spool-geometry';

/**
 * Moves the believed lip radius towards where the ratings' capacity fits the other beliefs, as far as its own standard
 * deviation allows: a print for more than such a reel usually holds makes a larger reel of its type, not another type.
 */
export function scaleToRatings(priors: SpoolPriors, observations: readonly Observation[]): SpoolPriors {
  const capacities = observations.flatMap((one) =>
    one.kind === 'rating' ? [one.length * one.diameter ** 2 * bulkOfRating(one, priors)] : [],
  );
  if (capacities.length === 0) return priors;
  const middle = Math.exp(
    capacities.reduce((sum, capacity) => sum + Math.log(capacity), 0) / capacities.length,
  );
  const { median, sd } = priors.lip;
  const fits = lipForCapacity(middle, priors);
  const scaled = Math.min(median * Math.exp(sd), Math.max(median * Math.exp(-sd), fits));
  return { ...priors, lip: { sd, median: scaled } };
}

/** Lip radius at which a spool of believed proportions holds a capacity, mm; by halving, since it grows with the lip. */
function lipForCapacity(capacity: number, { aspect, arborShare, packing, ratingDepth }: SpoolPriors): number {
  let low = 1;
  let high = 1000;
  while (high - low > 1e-6) {
    const lipRadius = (low + high) / 2;
    const arbor = arborForCapacity(
      {
        lipRadius,
        width: lipRadius * aspect.median,
        packing: packing.median,
        ratingDepth: ratingDepth.median,
      },
      capacity,
    );
    const holds = arbor !== null && lipRadius > ratingDepth.median && arbor / lipRadius > arborShare.median;
    if (holds) high = lipRadius;
    else low = lipRadius;
  }
  return high;
}

const bulkOfRating = (
  { material = 'nylon' }: Extract<Observation, { kind: 'rating' }>,
  priors: SpoolPriors,
): number => (material === 'nylon' ? 1 : priors.bulk[material].median);
