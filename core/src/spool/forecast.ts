import { woundArea, type Line } from '../lines/line';
import { lengthBetween, radiusAfter } from '../winding/winding';
import { isLine, type Observation, type WoundLength } from './observation';
import { MAKERS_BIAS, meterName, ratingFactor } from './factors';
import { READING_SD } from './priors';
import { roomTo, type SpoolGeometry } from './spool-geometry';

/** One spool with its lines as a parameter vector says they are. */
export interface World {
  readonly spool: SpoolGeometry;
  readonly bulkOf: (line: Line) => number;
  /** A factor by its name; 1 for one that is not among the unknowns. */
  readonly factorOf: (name: string) => number;
}

/** How far an observation lies from what a world would show, in standard deviations of the reading. */
export type Forecast = (world: World) => number;

/** A rating's own reference line: nylon of bulk 1 by definition, braid with a bulk of its own. */
export const ratingLine = (diameter: number, material: Line['material'] = 'nylon'): Line => ({
  key: material === 'nylon' ? 'reference-nylon' : `rated-${material}`,
  material,
  diameter,
});

/** Surface radius with these things on the spool, mm. */
export function surfaceRadius({ spool, bulkOf }: World, layers: readonly WoundLength[]): number {
  let radius = spool.arborRadius;
  for (const layer of layers) {
    if (!isLine(layer)) {
      if ('rise' in layer) radius += layer.rise;
      else radius = Math.max(radius, 'radius' in layer ? layer.radius : spool.lipRadius - layer.below);
      continue;
    }
    const area = woundArea(layer.line.diameter, bulkOf(layer.line), spool.packing);
    radius =
      'length' in layer
        ? radiusAfter(spool.width, radius, area, layer.length)
        : radius + (layer.spoolTurns * area) / spool.width;
  }
  return radius;
}

/** Spread of what lies below that is not counted line, mm. */
const underlaySpread = (layers: readonly WoundLength[]): number =>
  Math.hypot(...layers.map((layer) => (isLine(layer) ? 0 : layer.sd)));

/** Spread of a depth reading with what lies below it, mm. */
export const depthSpread = ({ layers, by, sd }: Extract<Observation, { kind: 'depth' }>): number =>
  Math.hypot(sd ?? READING_SD[by], underlaySpread(layers));

/**
 * The residual of an observation in a world, positive where the observation is larger than expected.
 * Ratings, retrieves and stretches are compared as ratios, the rest as differences.
 */
export function forecastOf(observation: Observation): Forecast {
  switch (observation.kind) {
    case 'rating':
      return ratingForecast(observation);
    case 'lip':
      return ({ spool }) => (observation.diameter - 2 * spool.lipRadius) / READING_SD.lip;
    case 'arbor': {
      const diameter = meanArbor(observation);
      return ({ spool }) => (diameter - 2 * spool.arborRadius) / READING_SD.arbor;
    }
    case 'width':
      return ({ spool }) => (observation.width - spool.width) / READING_SD.width;
    case 'retrieve':
      return ({ spool }) => {
        const full = spool.arborRadius + roomTo(spool, spool.ratingDepth);
        const expected = (2 * Math.PI * full * observation.gear) / 1000;
        return Math.log(observation.perTurn / expected) / READING_SD.retrieve;
      };
    case 'depth': {
      const sd = depthSpread(observation);
      return (world) =>
        (observation.depth - (world.spool.lipRadius - surfaceRadius(world, observation.layers))) / sd;
    }
    case 'stretch':
      return stretchForecast(observation);
  }
}

function ratingForecast(rating: Extract<Observation, { kind: 'rating' }>): Forecast {
  const { length, diameter, material } = rating;
  const line = ratingLine(diameter, material);
  const factor = ratingFactor(rating);
  return (world) => {
    const { spool, bulkOf, factorOf } = world;
    const full = spool.arborRadius + roomTo(spool, spool.ratingDepth);
    const really = diameter * (factor === null ? 1 : factorOf(factor));
    const area = woundArea(really, bulkOf(line), spool.packing);
    const expected = lengthBetween(spool.width, spool.arborRadius, full, area);
    return Math.log(length / (expected * factorOf(MAKERS_BIAS))) / READING_SD.rating;
  };
}

function stretchForecast(stretch: Extract<Observation, { kind: 'stretch' }>): Forecast {
  const { layers, line, spoolTurns, length, sd, meter } = stretch;
  return (world) => {
    const { spool, bulkOf, factorOf } = world;
    const start = surfaceRadius(world, layers);
    const rise = (spoolTurns * woundArea(line.diameter, bulkOf(line), spool.packing)) / spool.width;
    const expected = (2 * Math.PI * spoolTurns * (start + rise / 2)) / 1000;
    const scale = meter === undefined ? 1 : factorOf(meterName(meter));
    const spread = Math.hypot(sd, underlaySpread(layers) / Math.max(1, start));
    return Math.log(length / (expected * scale)) / spread;
  };
}

/** A tapered arbor's two diameters count as one reading of their mean. */
export const meanArbor = ({
  diameter: a,
  farDiameter: b = a,
}: {
  diameter: number;
  farDiameter?: number;
}): number => (a + b) / 2;
