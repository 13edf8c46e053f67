import type { Line } from '../lines/line';
import type { SpoolGeometry } from './spool-geometry';
import type { Belief, SpoolPriors } from './priors';

/**
 * The vector inference works on: ln RL, ln(W/RL), logit(R0/RL), ln φ, rating depth, then ln κ for each line. In these
 * coordinates no vector means an impossible spool.
 */
export type ParameterVector = readonly number[];

/** Where the bulks begin in a parameter vector. */
export const FIRST_BULK = 5;

/** Place of each geometric parameter in the vector. */
export const PLACE = { lip: 0, aspect: 1, arbor: 2, packing: 3, ratingDepth: 4 } as const;

const logit = (share: number): number => Math.log(share / (1 - share));
const share = (value: number): number => 1 / (1 + Math.exp(-value));

/** The spool a parameter vector stands for. */
export function decodeSpool(vector: ParameterVector, taper: number): SpoolGeometry {
  const lipRadius = Math.exp(vector[PLACE.lip] ?? 0);
  return {
    lipRadius,
    width: lipRadius * Math.exp(vector[PLACE.aspect] ?? 0),
    arborRadius: lipRadius * share(vector[PLACE.arbor] ?? 0),
    packing: Math.exp(vector[PLACE.packing] ?? 0),
    ratingDepth: vector[PLACE.ratingDepth] ?? 0,
    taper,
  };
}

/** The vector of a spool and the bulks of its lines. */
export const encodeSpool = (spool: SpoolGeometry, bulks: readonly number[] = []): number[] => [
  Math.log(spool.lipRadius),
  Math.log(spool.width / spool.lipRadius),
  logit(spool.arborRadius / spool.lipRadius),
  Math.log(spool.packing),
  spool.ratingDepth,
  ...bulks.map(Math.log),
];

/** What is believed of a line's bulk: what the shop has learned of that line, else its material's. */
export const bulkBelief = (line: Pick<Line, 'key' | 'material'>, priors: SpoolPriors): Belief =>
  priors.learnedBulk?.[line.key] ?? priors.bulk[line.material];

/** Middle and standard deviation of each parameter before any reading. */
export function priorVector(priors: SpoolPriors, lines: readonly Line[]): { mean: number[]; sd: number[] } {
  const { lip, aspect, arborShare, packing, ratingDepth } = priors;
  const bulks = lines.map((line) => bulkBelief(line, priors));
  return {
    mean: [
      Math.log(lip.median),
      Math.log(aspect.median),
      logit(arborShare.median),
      Math.log(packing.median),
      ratingDepth.median,
      ...bulks.map(({ median }) => Math.log(median)),
    ],
    sd: [
      lip.sd,
      aspect.sd,
      arborShare.sd / (1 - arborShare.median),
      packing.sd,
      ratingDepth.sd,
      ...bulks.map(({ sd }) => sd),
    ],
  };
}
