import type { Observation, WoundLength } from '../spool/observation';
import { READING_SD } from '../spool/priors';

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
