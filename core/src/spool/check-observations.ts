import type { Issue } from '../issue';
import { OBSERVATION_RANGE, type Observation } from './observation';
import { arborRms } from './forecast';

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
};

/** What cannot be in a set of observations, before anything is inferred from it. */
export function checkObservations(observations: readonly Observation[]): ObservationIssue[] {
  const ranged = observations.flatMap((observation, index) => checkRange(observation, index));
  return ranged.length > 0 ? ranged : [...checkArbor(observations), ...checkCapacity(observations)];
}

function checkRange(observation: Observation, index: number): ObservationIssue[] {
  const ranges: Record<string, readonly [number, number]> = OBSERVATION_RANGE[observation.kind];
  const numbers = observation as unknown as Record<string, number>;
  return Object.entries(ranges).flatMap(([field, [min, max]]) => {
    const value = numbers[field] ?? NaN;
    if (value >= min && value <= max) return [];
    return [
      {
        code: 'observation-out-of-range' as const,
        severity: 'error' as const,
        sentence: `The ${WORDS[observation.kind]} is outside what a reel can have: it must be from ${String(min)} to ${String(max)} ${field === 'gear' ? 'to one' : field === 'length' || field === 'perTurn' ? 'm' : 'mm'}.`,
        at: `observations.${String(index)}.${field}`,
        values: { min, max, value },
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
  if (!lip || !arbor || arborRms(arbor) < lip.diameter - 1) return [];
  return [
    {
      code: 'arbor-not-inside-lip',
      severity: 'error',
      sentence: `An arbor of ${String(arbor.diameter)} mm leaves no room for line inside a lip of ${String(lip.diameter)} mm. Measure both across the spool.`,
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
    if (observation.kind !== 'rating' || 1000 * observation.length * observation.diameter ** 2 <= most)
      return [];
    return [
      {
        code: 'capacity-exceeds-spool' as const,
        severity: 'error' as const,
        sentence: `${String(observation.length)} m of ${String(observation.diameter)} mm cannot fit on a spool of these measures, even wound solid. Check the rating and the measures.`,
        at: `observations.${String(index)}`,
        values: { most: most / 1000 / observation.diameter ** 2 },
      },
    ];
  });
}
