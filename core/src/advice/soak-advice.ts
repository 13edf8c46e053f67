import type { Line } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import { soakHours, soakUptake, type Uptake } from '../soak/soak-uptake';
import type { Advice } from './advice';
import { message, type Words } from '../words/message';

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

/** Longer than this many times what the maker says counts as too long. From memory, no source. */
const TOO_LONG = 2;

/**
 * How long a line is soaked, and what that does to it: as its maker says where that is known, else as the house does. A
 * wound pack takes up water slower than one strand.
 */
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
  const made = line.soakHours;
  const [hours, tooLongAfter] = made === undefined ? HOURS[rules.soak] : [made, TOO_LONG * made];
  const uptake = soakUptake(line.diameter, hours);
  return {
    hours,
    tooLongAfter,
    uptake,
    sentence: say(line, hours, uptake),
    why: made === undefined ? schoolOf(rules, 'soak').why : byMaker(made, HOURS[rules.soak][0]),
  };
}

const byMaker = (hours: number, house: number): string =>
  `Its maker says ${hours === 0 ? 'not to soak it' : `${String(hours)} h`}, which goes before what the shop does${hours === house ? '' : ` (${house === 0 ? 'none' : `${String(house)} h`})`}.`;

function say({ diameter }: Line, hours: number, uptake: Uptake | null): Words {
  if (hours === 0 || !uptake) return 'Wind it dry, and leave room: it swells when it is fished.';
  const percent = (share: number): number => Math.round(100 * share);
  return message('soak.hours', {
    hours,
    low: percent(uptake.low),
    high: percent(uptake.high),
    diameter: { line: diameter },
    most: Math.round(soakHours(diameter, 0.9)),
  });
}
