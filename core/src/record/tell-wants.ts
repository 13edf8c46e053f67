import { formatQuantity } from '../quantities/format-quantity';
import type { UnitSystem } from '../quantities/units';
import { metres } from './words';

/** A pull, kg, as exact as it was asked for. */
const pull = (kilograms: number, units: UnitSystem): string =>
  units === 'metric' ? `${String(kilograms)} kg` : formatQuantity(kilograms, 'strength', units).text;

/** What a customer wanted beside the line itself, as it was booked. */
export interface Wanted {
  readonly leader: string;
  readonly dragKg: number | null;
  readonly leastMm: number | null;
  readonly onItNow: string;
  readonly mainFirst: boolean;
  readonly endForEnd: boolean;
  readonly counterOnly: boolean;
}

/** What was wanted, in sentences; none where nothing was. */
export const tellWants = (wanted: Wanted, units: UnitSystem = 'metric'): string[] => {
  const { leader, dragKg, leastMm, onItNow, mainFirst, endForEnd, counterOnly } = wanted;
  return [
    ...(onItNow === '' ? [] : [`On it when it came: ${onItNow}.`]),
    ...(leastMm === null ? [] : [`At least ${metres(leastMm / 1000, units)} of main were wanted.`]),
    ...(leader === '' ? [] : [`A leader was wanted: ${leader}.`]),
    ...(dragKg === null ? [] : [`A drag of ${pull(dragKg, units)} was wanted.`]),
    ...(mainFirst ? ['The main went on first, and was swapped over.'] : []),
    ...(endForEnd ? ['Its own line was to be turned end for end.'] : []),
    ...(counterOnly ? ['Its line was to stay on, and its counter to be matched.'] : []),
  ];
};
