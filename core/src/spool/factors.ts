import type { Observation } from './observation';
import { learnedAs, printBelief, printKey, type Factor } from './parameters';
import { METER_SD, type SpoolPriors } from './priors';

/** Name of the factor by which a maker prints more than fits. */
export const MAKERS_BIAS = 'makers-bias';

export const meterName = (meter: string): string => `meter-${meter}`;

/** Whether a factor's name is a line meter's scale. */
export const isMeter = (name: string): boolean => name.startsWith('meter-');

/** A meter's scale: as the shop's fills taught it, else as meters usually are. */
const meterBelief = (meter: string, { learnedPrints }: SpoolPriors): Factor['belief'] =>
  learnedAs(learnedPrints, meterName(meter)) ?? { median: 1, sd: METER_SD };

type Rating = Extract<Observation, { kind: 'rating' }>;

/** Name of the factor between a print's usual diameter and the true one; null where the diameter itself is printed. */
export const ratingFactor = ({ printed, material = 'nylon' }: Rating): string | null =>
  printed ? printKey(printed.system, material) : null;

/** The factors a set of observations leaves open, each once: prints of one system share one, so do a meter's stretches. */
export function factorsOf(observations: readonly Observation[], priors: SpoolPriors): Factor[] {
  const found = new Map<string, Factor>();
  const add = (name: string, belief: Factor['belief']): void => void found.set(name, { name, belief });
  for (const one of observations) {
    if (one.kind === 'rating') {
      add(MAKERS_BIAS, priors.makersBias);
      const name = ratingFactor(one);
      if (one.printed && name !== null)
        add(name, printBelief(one.printed.system, one.material ?? 'nylon', priors));
    }
    if (one.kind === 'stretch' && one.meter !== undefined)
      add(meterName(one.meter), meterBelief(one.meter, priors));
  }
  return [...found.values()];
}
