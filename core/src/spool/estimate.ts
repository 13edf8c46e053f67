import type { Line } from '../lines/line';
import type { SpoolPriors } from './priors';
import type { ParameterVector } from './parameters';
import { bulkBelief, encodeSpool, FIRST_BULK } from './parameters';
import type { SpoolGeometry } from './spool-geometry';
import { STARTING_PRIORS } from './priors';

/** What a plan starts from: a parameter vector with its covariance, and the lines whose bulk is in it. */
export interface Estimate {
  readonly vector: ParameterVector;
  readonly covariance: readonly (readonly number[])[];
  /** Lines in the order of their bulks in the vector. */
  readonly lines: readonly Line[];
  readonly priors: SpoolPriors;
  /** The spool the vector stands for. */
  readonly spool: SpoolGeometry;
}

/** An estimate with no doubt in the geometry; lines keep the doubt their bulk has by material. */
export function knownSpool(spool: SpoolGeometry, priors: SpoolPriors = STARTING_PRIORS): Estimate {
  const vector = encodeSpool(spool);
  return { vector, covariance: vector.map(() => vector.map(() => 0)), lines: [], priors, spool };
}

/** The bulk an estimate gives a line: what was inferred, else what is believed. */
export const bulkIn = (estimate: Pick<Estimate, 'lines' | 'vector' | 'priors'>, line: Line): number => {
  const place = estimate.lines.findIndex(({ key }) => key === line.key);
  return place < 0
    ? bulkBelief(line, estimate.priors).median
    : Math.exp(estimate.vector[FIRST_BULK + place] ?? 0);
};
