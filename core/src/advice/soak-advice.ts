import type { Line } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import { soakHours, soakUptake, type Uptake } from '../soak/soak-uptake';
import type { Advice } from './advice';
import { told } from '../quantities/told';

export interface SoakAdvice extends Advice {
  /** Hours in the tub before it is ready, and after which it counts as too long. */
  readonly hours: number;
  readonly tooLongAfter: number;
  /** What it holds when it comes out, as a share of all it can; null for line that takes up next to none. */
  readonly uptake: Uptake | null;
}

/** Hours by school. Common practice, no source. */
const HOURS: Readonly<Record<HouseRules['soak'], readonly [ready: number, tooLong: number]>> = {
  none: [0, 0],
  short: [1.5, 4],
  overnight: [10, 24],
  'full-day': [24, 48],
};

/** How long the house soaks a line, and what that does to it. A wound pack takes up water slower than one strand. */
export function soakAdvice(line: Line, rules: Pick<HouseRules, 'soak'>): SoakAdvice {
  if (line.material !== 'nylon') {
    return {
      hours: 0,
      tooLongAfter: 0,
      uptake: null,
      sentence: 'Keep it dry.',
      why: `${line.material === 'fluorocarbon' ? 'Fluorocarbon' : 'Polyethylene'} takes up next to no water.`,
    };
  }
  const [hours, tooLongAfter] = HOURS[rules.soak];
  const uptake = soakUptake(line.diameter, hours);
  return {
    hours,
    tooLongAfter,
    uptake,
    sentence: say(line, hours, uptake),
    why: schoolOf(rules, 'soak').why,
  };
}

function say({ diameter }: Line, hours: number, uptake: Uptake | null): string {
  if (hours === 0 || !uptake) return 'Wind it dry, and leave room: it swells when it is fished.';
  const percent = (share: number): string => (100 * share).toFixed(0);
  return (
    `${hours} h in water: a strand of ${told.diameter(diameter)} takes up ${percent(uptake.low)} to ${percent(uptake.high)} % of what it can, ` +
    `a wound pack less. Nine tenths take about ${soakHours(diameter, 0.9).toFixed(0)} h.`
  );
}
