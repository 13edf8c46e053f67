import { woundArea, type Line } from '../lines/line';
import { lengthBetween, radiusAfter } from '../winding/winding';
import type { Observation, WoundLength } from './observation';
import { READING_SD } from './priors';
import type { SpoolGeometry } from './spool-geometry';

/** How far an observation lies from what a spool would show, in standard deviations of the reading. */
export type Forecast = (spool: SpoolGeometry, bulkOf: (line: Line) => number) => number;

/** A rating's own reference line: nylon of bulk 1 by definition, braid with a bulk of its own. */
export const ratingLine = (diameter: number, material: Line['material'] = 'nylon'): Line => ({
  key: material === 'nylon' ? 'reference-nylon' : `rated-${material}`,
  material,
  diameter,
});

/** Surface radius with these lengths on the spool, mm. */
export function surfaceRadius(
  spool: SpoolGeometry,
  layers: readonly WoundLength[],
  bulkOf: (line: Line) => number,
): number {
  let radius = spool.arborRadius;
  for (const layer of layers) {
    const area = woundArea(layer.line.diameter, bulkOf(layer.line), spool.packing);
    radius =
      'length' in layer
        ? radiusAfter(spool.width, radius, area, layer.length)
        : radius + (layer.spoolTurns * area) / spool.width;
  }
  return radius;
}

/**
 * The residual of an observation under a spool, positive where the observation is larger than expected.
 * Ratings and retrieves are compared as ratios, the rest as differences.
 */
export function forecastOf(observation: Observation): Forecast {
  switch (observation.kind) {
    case 'rating':
      return ratingForecast(observation);
    case 'lip':
      return (spool) => (observation.diameter - 2 * spool.lipRadius) / READING_SD.lip;
    case 'arbor':
      return arborForecast(observation);
    case 'width':
      return (spool) => (observation.width - spool.width) / READING_SD.width;
    case 'retrieve':
      return ({ lipRadius, ratingDepth }) => {
        const expected = (2 * Math.PI * Math.max(0.1, lipRadius - ratingDepth) * observation.gear) / 1000;
        return Math.log(observation.perTurn / expected) / READING_SD.retrieve;
      };
    case 'depth': {
      const sd = observation.sd ?? READING_SD[observation.by];
      return (spool, bulkOf) =>
        (observation.depth - (spool.lipRadius - surfaceRadius(spool, observation.layers, bulkOf))) / sd;
    }
  }
}

function ratingForecast({ length, diameter, material }: Extract<Observation, { kind: 'rating' }>): Forecast {
  const line = ratingLine(diameter, material);
  return (spool, bulkOf) => {
    const full = Math.max(spool.lipRadius - spool.ratingDepth, spool.arborRadius + 0.01);
    const expected = lengthBetween(
      spool.width,
      spool.arborRadius,
      full,
      woundArea(diameter, bulkOf(line), spool.packing),
    );
    return Math.log(length / expected) / READING_SD.rating;
  };
}

/** A tapered arbor's two diameters count as one reading of its root mean square diameter. */
export const arborRms = ({
  diameter: a,
  farDiameter: b = a,
}: {
  diameter: number;
  farDiameter?: number;
}): number => Math.sqrt((a * a + a * b + b * b) / 3);

function arborForecast(observation: Extract<Observation, { kind: 'arbor' }>): Forecast {
  const diameter = arborRms(observation);
  return (spool) => (diameter - 2 * spool.arborRadius) / READING_SD.arbor;
}
