import type { Line } from '../lines/line';
import type { Estimate } from '../spool/estimate';
import type { Observation, WoundLength } from '../spool/observation';
import { bulkBelief, FIRST_BULK } from '../spool/parameters';
import { READING_SD, type Belief, type SpoolPriors } from '../spool/priors';

/** A closed fill as learning sees it. */
export interface ClosedFill {
  /** Arbor first; by turns where turns were counted, which is surer than metres derived from them. */
  readonly layers: readonly WoundLength[];
  /** Gap below the lip as read at the end, mm. */
  readonly gap: number;
  readonly by: 'calliper' | 'eye';
}

/** How much one spool of a kind differs from the kind at the lip, one standard deviation, mm. From memory, no source. */
export const KIND_SPREAD = 0.25;

type DepthObservation = Extract<Observation, { kind: 'depth' }>;

/** A fill of this very spool as an observation of it. */
export const fillAsObservation = ({ layers, gap, by }: ClosedFill): DepthObservation => ({
  kind: 'depth',
  layers,
  depth: gap,
  by,
});

/**
 * Fills of other spools of the same kind as observations of this one. Their own differences average out over n fills,
 * this spool's does not: the mean of n looks must keep a variance of (s² + k²)/n + k², so each look is given
 * s² + (n + 1) k², s being the reading's and k the kind's spread.
 */
export const kindFillsAsObservations = (
  fills: readonly ClosedFill[],
  spread = KIND_SPREAD,
): DepthObservation[] =>
  fills.map((fill) => ({
    ...fillAsObservation(fill),
    sd: Math.sqrt(READING_SD[fill.by] ** 2 + (fills.length + 1) * spread ** 2),
  }));

/**
 * What a shop has learned of a line's bulk: the prior belief, and what each spool's estimate adds to it beyond that
 * prior. Spools are independent, so what each adds is added up as precision (one over variance).
 *
 * @param estimates inferred spools that had this line on them, each from the same prior belief
 */
export function learnBulk(line: Line, estimates: readonly Estimate[], priors: SpoolPriors): Belief {
  const prior = bulkBelief(line, priors);
  const start = { precision: 1 / prior.sd ** 2, weighted: Math.log(prior.median) / prior.sd ** 2 };
  let { precision, weighted } = start;
  for (const { lines, vector, covariance } of estimates) {
    const at = lines.findIndex(({ key }) => key === line.key) + FIRST_BULK;
    const variance = covariance[at]?.[at];
    if (at < FIRST_BULK || variance === undefined) continue;
    const added = Math.max(0, 1 / variance - start.precision);
    if (added === 0) continue;
    precision += added;
    weighted += (vector[at] ?? 0) / variance - start.weighted;
  }
  return { median: Math.exp(weighted / precision), sd: Math.sqrt(1 / precision) };
}
