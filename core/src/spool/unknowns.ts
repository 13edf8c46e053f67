import type { Line } from '../lines/line';
import { factorsOf } from './factors';
import { ratingLine, type World } from './forecast';
import { isLine, type Observation } from './observation';
import { decodeSpool, FIRST_BULK, PLACE, priorVector, type Factor, type ParameterVector } from './parameters';
import type { SpoolPriors } from './priors';
import { scaleToRatings } from './scale-to-ratings';

/** What a set of observations leaves open: the spool, the bulks of its lines and its factors, with what is believed of them. */
export interface Unknowns {
  readonly lines: readonly Line[];
  readonly factors: readonly Factor[];
  /** Middle and standard deviation of each parameter before any reading. */
  readonly mean: readonly number[];
  readonly sd: readonly number[];
  readonly worldOf: (vector: ParameterVector) => World;
}

/** @param more lines beside those the observations speak of */
export function unknownsOf(
  observations: readonly Observation[],
  priors: SpoolPriors,
  more: readonly Line[] = [],
): Unknowns {
  const lines = linesIn(observations, more);
  const factors = factorsOf(observations, priors);
  const { mean, sd } = priorVector(scaleToRatings(priors, observations), lines, factors);
  const bulks = new Map(lines.map(({ key }, i) => [key, FIRST_BULK + i]));
  const places = new Map(factors.map(({ name }, i) => [name, FIRST_BULK + lines.length + i]));
  const at = (vector: ParameterVector, place: number | undefined): number =>
    place === undefined ? 1 : Math.exp(vector[place] ?? 0);
  const worldOf = (vector: ParameterVector): World => ({
    spool: decodeSpool(vector),
    bulkOf: ({ key }) => at(vector, bulks.get(key)),
    factorOf: (name) => at(vector, places.get(name)),
  });
  return { lines, factors, mean, sd, worldOf };
}

/** The lines whose bulk the readings say something about. Reference nylon has bulk 1 by definition. */
function linesIn(observations: readonly Observation[], more: readonly Line[]): Line[] {
  const found = new Map<string, Line>(more.map((line) => [line.key, line]));
  for (const one of observations) {
    if (one.kind === 'depth' || one.kind === 'stretch')
      for (const layer of one.layers) if (isLine(layer)) found.set(layer.line.key, layer.line);
    if (one.kind === 'stretch') found.set(one.line.key, one.line);
    if (one.kind === 'rating' && one.material && one.material !== 'nylon') {
      const line = ratingLine(one.diameter, one.material);
      found.set(line.key, line);
    }
  }
  return [...found.values()];
}

/** How far other starting points lie from the middle, in standard deviations of each figure of the shape. */
const STARTS: readonly Partial<Record<keyof typeof PLACE, number>>[] = [
  { arbor: 2.5 },
  { arbor: 5, ratingDepth: -1 },
  { arbor: -2.5 },
  { lip: 1.5, aspect: -2, arbor: 2 },
];

/** Shallow, deep, wide and narrow spools to start from where the middle one leads nowhere. */
export const otherStarts = ({ mean, sd }: Pick<Unknowns, 'mean' | 'sd'>): number[][] =>
  STARTS.map((start) => {
    const vector = [...mean];
    for (const [name, steps] of Object.entries(start)) {
      const place = PLACE[name as keyof typeof PLACE];
      vector[place] = (mean[place] ?? 0) + steps * (sd[place] ?? 0);
    }
    return vector;
  });
