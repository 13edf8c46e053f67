import type { Issue } from '../issue';
import { isLine, OBSERVATION_RANGE, type Observation, type WoundLength } from './observation';
import { meanArbor } from './forecast';
import { message } from '../words/message';
import { rangeWords } from '../words/range-words';

export type ObservationIssue = Issue<
  'observation-out-of-range' | 'arbor-not-inside-lip' | 'capacity-exceeds-spool'
>;

/** Densest a spool could conceivably be filled, for telling the impossible from the unlikely. */
const SOLID_PACKING = 0.95;

const WORDS: Readonly<Record<Observation['kind'], string>> = {
  rating: 'printed rating',
  lip: 'lip diameter',
  arbor: 'arbor diameter',
  width: 'winding width',
  retrieve: 'retrieve per turn',
  depth: 'depth',
  stretch: 'counted length',
};

/** What cannot be in a set of observations, before anything is inferred from it. */
export function checkObservations(observations: readonly Observation[]): ObservationIssue[] {
  const ranged = observations.flatMap((observation, index) => checkRange(observation, index));
  return ranged.length > 0 ? ranged : [...checkArbor(observations), ...checkCapacity(observations)];
}

/** Each number an observation holds, with the place it is written at and its least and most. */
function numbersOf(observation: Observation): Figure[] {
  const ranges = OBSERVATION_RANGE;
  switch (observation.kind) {
    case 'rating':
      return [
        ['length', observation.length, ranges.rating.length],
        ['diameter', observation.diameter, ranges.rating.diameter],
        ['figure', observation.printed?.figure ?? 1, ranges.rating.figure],
      ];
    case 'lip':
      return [['diameter', observation.diameter, ranges.lip.diameter]];
    case 'arbor':
      return [
        ['diameter', observation.diameter, ranges.arbor.diameter],
        ['farDiameter', observation.farDiameter ?? observation.diameter, ranges.arbor.diameter],
      ];
    case 'width':
      return [['width', observation.width, ranges.width.width]];
    case 'retrieve':
      return [
        ['perTurn', observation.perTurn, ranges.retrieve.perTurn],
        ['gear', observation.gear, ranges.retrieve.gear],
      ];
    case 'depth':
      return [
        ['depth', observation.depth, ranges.depth.depth],
        ['sd', observation.sd ?? 1, ranges.depth.sd],
        ...observation.layers.flatMap((layer, i) => numbersOfLayer(layer, i)),
      ];
    case 'stretch':
      return [
        ['length', observation.length, ranges.stretch.length],
        ['spoolTurns', observation.spoolTurns, ranges.stretch.spoolTurns],
        ['sd', observation.sd, ranges.stretch.sd],
        ['diameter', observation.line.diameter, ranges.rating.diameter],
        ...observation.layers.flatMap((layer, i) => numbersOfLayer(layer, i)),
      ];
  }
}

type Figure = readonly [string, number, readonly [number, number]];

function numbersOfLayer(layer: WoundLength, i: number): Figure[] {
  const at = (field: string): string => `layers.${String(i)}.${field}`;
  const { depth, rating, underlay } = OBSERVATION_RANGE;
  if (!isLine(layer)) {
    const where: Figure =
      'rise' in layer
        ? [at('rise'), layer.rise, underlay.rise]
        : 'radius' in layer
          ? [at('radius'), layer.radius, underlay.radius]
          : [at('below'), layer.below, underlay.below];
    return [where, [at('sd'), layer.sd, underlay.sd]];
  }
  return [
    [at('diameter'), layer.line.diameter, rating.diameter],
    'length' in layer
      ? [at('length'), layer.length, depth.length]
      : [at('spoolTurns'), layer.spoolTurns, depth.spoolTurns],
  ];
}

const UNITS: Readonly<Record<string, string>> = {
  gear: 'to one',
  length: 'm',
  perTurn: 'm',
  spoolTurns: 'spool turns',
  figure: '',
  'stretch.sd': '',
};

function checkRange(observation: Observation, index: number): ObservationIssue[] {
  return numbersOf(observation).flatMap(([field, value, [min, max]]) => {
    if (value >= min && value <= max) return [];
    const name = field.split('.').at(-1) ?? '';
    const unit = UNITS[`${observation.kind}.${name}`] ?? UNITS[name] ?? 'mm';
    return [
      {
        code: 'observation-out-of-range' as const,
        severity: 'error' as const,
        sentence: message('spool.out-of-range', {
          what: WORDS[observation.kind],
          range: rangeWords([min, max], unit),
        }),
        at: `observations.${String(index)}.${field}`,
        values: { min, max, ...(Number.isFinite(value) ? { value } : {}) },
      },
    ];
  });
}

const first = <K extends Observation['kind']>(
  observations: readonly Observation[],
  kind: K,
): Extract<Observation, { kind: K }> | undefined =>
  observations.find(
    (observation): observation is Extract<Observation, { kind: K }> => observation.kind === kind,
  );

function checkArbor(observations: readonly Observation[]): ObservationIssue[] {
  const lip = first(observations, 'lip');
  const arbor = first(observations, 'arbor');
  if (!lip || !arbor || meanArbor(arbor) < lip.diameter - 1) return [];
  return [
    {
      code: 'arbor-not-inside-lip',
      severity: 'error',
      sentence: message('spool.arbor-not-inside-lip', {
        arbor: { mm: arbor.diameter },
        lip: { mm: lip.diameter },
      }),
      at: 'arbor',
      values: { arbor: arbor.diameter, lip: lip.diameter },
    },
  ];
}

function checkCapacity(observations: readonly Observation[]): ObservationIssue[] {
  const lip = first(observations, 'lip');
  const width = first(observations, 'width');
  if (!lip || !width) return [];
  const inner = (first(observations, 'arbor')?.diameter ?? 0) / 2;
  const most = 4 * SOLID_PACKING * width.width * ((lip.diameter / 2) ** 2 - inner ** 2);
  return observations.flatMap((observation, index) => {
    if (observation.kind !== 'rating') return [];
    // A diameter known only about, or line with air in it, may be thinner than it says.
    const loose = observation.printed || (observation.material && observation.material !== 'nylon') ? 1.5 : 1;
    if (1000 * observation.length * observation.diameter ** 2 <= loose * most) return [];
    return [
      {
        code: 'capacity-exceeds-spool' as const,
        severity: 'error' as const,
        sentence: message('spool.capacity', {
          length: { m: observation.length },
          diameter: { line: observation.diameter },
        }),
        at: `observations.${String(index)}`,
        values: { most: most / 1000 / observation.diameter ** 2 },
      },
    ];
  });
}
