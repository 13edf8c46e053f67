import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import { twistLedger, type Sense, type SupplyWay, type Twist, type TwistSetup } from './twist-ledger';

/** What is known of a reel and a supply before the supply is laid out. mm at the start and at the end of the layer. */
export interface SupplyChoice {
  readonly reel: { readonly sense: Sense; readonly diameters: readonly [start: number, end: number] };
  readonly supply: { readonly diameters: readonly [start: number, end: number] };
  /** Whether the line is cast over the lip of a still spool; the same sense as the rotor unless said. */
  readonly castOverLip: boolean;
  readonly castSense?: 1 | -1;
  /** Whether the bench has a rig that turns the supply bodily with the rotor. */
  readonly rig?: boolean;
}

export type SupplyStand = 'matched' | 'mismatched' | 'rolling' | 'rig';

/** One way to lay the supply out, with both columns at both ends of the layer. */
export interface SupplyOption {
  readonly way: SupplyStand;
  readonly start: Twist;
  readonly end: Twist;
}

/** All ways, least twist first by what the house judges by; the way to take, and why. */
export interface SupplyAdvice {
  readonly options: readonly SupplyOption[];
  readonly best: SupplyStand;
  readonly sentence: string;
  readonly why: string;
}

/**
 * The ways a supply can stand, with the twist of each as the line lies on the spool and as it hangs after a cast. The
 * schools disagree because they look at the line in two places; the house rule says which one decides, and whether the
 * shop has chosen one way regardless.
 */
export function compareSupply(
  choice: SupplyChoice,
  rules: Pick<HouseRules, 'judgeTwistBy' | 'supply'>,
): SupplyAdvice {
  const sense = choice.reel.sense === 0 ? (choice.castSense ?? 1) : choice.reel.sense;
  const column = rules.judgeTwistBy === 'spool' ? 'onSpool' : 'hanging';
  const worst = ({ start, end }: SupplyOption): number =>
    Math.max(Math.abs(start[column]), Math.abs(end[column]));
  const options = waysOf(choice, sense)
    .map(([way, supplyOf]): SupplyOption => {
      const at = (moment: 0 | 1): Twist =>
        twistLedger(setupAt(choice, supplyOf(choice.supply.diameters[moment]), sense, moment));
      return { way, start: at(0), end: at(1) };
    })
    .sort((a, b) => worst(a) - worst(b));
  const least = options[0]?.way ?? 'rolling';
  const chosen = CHOSEN[rules.supply];
  const best = options.some(({ way }) => way === chosen) && chosen ? chosen : least;
  const place =
    rules.judgeTwistBy === 'spool' ? 'as the line lies on the spool' : 'as the line hangs after a cast';
  const judged = best === least ? `least twist ${place}` : `more twist ${place} than ${LOWER[least]}`;
  return {
    options,
    best,
    sentence: `${NAMES[best]}: ${judged}.`,
    why: schoolOf(rules, best === chosen ? 'supply' : 'judgeTwistBy').why,
  };
}

/** The way a shop has chosen whatever the ledger says; none where it goes by the ledger. */
const CHOSEN: Readonly<Record<HouseRules['supply'], SupplyStand | null>> = {
  'by-twist': null,
  'over-end': 'matched',
  rolling: 'rolling',
  rig: 'rig',
  'as-it-comes': null,
};

const NAMES: Readonly<Record<SupplyStand, string>> = {
  matched: 'Over the end, turning the way the bail does',
  mismatched: 'Over the end, turning against the bail',
  rolling: 'Rolling on a spindle',
  rig: 'On the rig, turned with the rotor',
};
const LOWER: Readonly<Record<SupplyStand, string>> = {
  matched: 'over the end, turning the way the bail does',
  mismatched: 'over the end, turning against the bail',
  rolling: 'rolling on a spindle',
  rig: 'on the rig',
};

function waysOf(
  { rig, reel }: SupplyChoice,
  sense: 1 | -1,
): (readonly [SupplyStand, (diameter: number) => SupplyWay])[] {
  return [
    ['rolling', () => ({ kind: 'rolling' })],
    ['matched', (diameter) => ({ kind: 'over-end', sense, diameter })],
    ['mismatched', (diameter) => ({ kind: 'over-end', sense: sense === 1 ? -1 : 1, diameter })],
    ...(rig && reel.sense !== 0
      ? [['rig', (): SupplyWay => ({ kind: 'rig', withRotor: true })] as const]
      : []),
  ];
}

const setupAt = (
  { reel, castOverLip, castSense }: SupplyChoice,
  supply: SupplyWay,
  sense: 1 | -1,
  moment: 0 | 1,
): TwistSetup => ({
  supply,
  reel: { sense: reel.sense, diameter: reel.diameters[moment] },
  cast: castOverLip ? { overLip: true, sense: castSense ?? sense } : { overLip: false },
});
