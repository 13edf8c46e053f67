import { isBraid, type Material } from '../lines/line';
import { bounded } from '../numeric/bounded';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { Advice } from './advice';

/** How a filled line has been used since it went on. */
export interface Wear {
  readonly months: number;
  readonly trips: number;
}

export interface ServiceAdvice extends Advice {
  readonly due: boolean;
  /** Share of its service life used, by the rule that decides: 1 is due. */
  readonly used: number;
}

/** Trips and months a line is good for. Common practice, no source. */
const LIFE: Readonly<Record<'light' | 'heavy' | 'braid', Wear>> = {
  light: { trips: 4, months: 12 },
  heavy: { trips: 12, months: 12 },
  braid: { trips: 25, months: 36 },
};
/** More trips, or months, than any line lasts. */
const MOST_WEAR = 100_000;
/** Nylon and fluorocarbon below this diameter count as light, mm. */
const LIGHT_BELOW = 0.3;

/** How long a line is good for: trips, and months from the day it went on. */
export const serviceLife = ({
  material,
  diameter,
}: {
  readonly material: Material;
  readonly diameter: number;
}): Wear => LIFE[isBraid(material) ? 'braid' : diameter < LIGHT_BELOW ? 'light' : 'heavy'];

/** When line on a reel is due for renewal: by trips, by months, or by whichever comes first. */
export function serviceAdvice(
  { material, diameter }: { readonly material: Material; readonly diameter: number },
  { months, trips }: Wear,
  rules: Pick<HouseRules, 'service'>,
): ServiceAdvice {
  const life = serviceLife({ material, diameter });
  const by = {
    trips: bounded(trips, 0, MOST_WEAR) / life.trips,
    months: bounded(months, 0, MOST_WEAR) / life.months,
  };
  const used =
    rules.service === 'by-trips'
      ? by.trips
      : rules.service === 'by-months'
        ? by.months
        : Math.max(by.trips, by.months);
  const due = used >= 1;
  return {
    due,
    used,
    sentence: due
      ? 'Due: renew it, or reverse it where the inner end is fresh.'
      : `Good for another ${left(rules, life, { months, trips })}.`,
    why: schoolOf(rules, 'service').why,
  };
}

function left(rules: Pick<HouseRules, 'service'>, life: Wear, { months, trips }: Wear): string {
  const inTrips = `${Math.ceil(life.trips - trips)} trips`;
  const inMonths = `${Math.ceil(life.months - months)} months`;
  if (rules.service === 'by-trips') return inTrips;
  return rules.service === 'by-months' ? inMonths : `${inTrips} or ${inMonths}, whichever comes first`;
}
