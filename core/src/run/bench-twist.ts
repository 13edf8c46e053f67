import { turnsRound } from '../advice/advice-sheet';
import type { ReelType } from '../lines/reel-type';
import type { SlackExpected } from '../twist/slack-test';
import { perMetre, twistLedger, type Sense, type SupplyWay, type Twist } from '../twist/twist-ledger';
import type { SupplySeen } from './run-state';

/** Diameters line is on now, mm: where it is wound on and where it leaves the supply. */
export interface TwistDiameters {
  readonly reel: number;
  readonly supply: number;
}

/** What two observed rotations come to. */
export interface BenchTwist {
  /** Both columns for the supply as it stands. */
  readonly asLaidOut: Twist;
  /** Both columns with the supply the other way round. */
  readonly turnedOver: Twist;
  /** Both are seen to turn the same way; null where one of them does not turn. */
  readonly matched: boolean | null;
  readonly expected: SlackExpected;
}

const senseOf = (turn: SupplySeen['supplyTurns']): 1 | -1 => (turn === 'anticlockwise' ? -1 : 1);

/**
 * Twist at the bench from what was seen: the supply's turn from the side its line leaves, the rotor's from behind the
 * reel. The same turn of the clock is the same sense along the line's way. A winder turns the spool itself, so it puts in
 * none.
 */
export function benchTwist(
  { way, supplyTurns, reelTurns }: SupplySeen,
  type: ReelType,
  { reel, supply }: TwistDiameters,
): BenchTwist {
  const rotor = turnsRound(type) && way !== 'winder';
  const sense: Sense = rotor ? senseOf(reelTurns) : 0;
  const supplySense = senseOf(supplyTurns);
  const cast = turnsRound(type)
    ? ({ overLip: true, sense: senseOf(reelTurns) } as const)
    : ({ overLip: false } as const);
  const of = (turned: boolean): Twist =>
    twistLedger({
      supply: supplyOf(way, turned ? -supplySense : supplySense, sense, supply),
      reel: { sense, diameter: reel },
      cast,
    });
  const asLaidOut = of(false);
  const turnedOver = of(true);
  const bothTurn = way === 'over-end' || way === 'rig';
  return {
    asLaidOut,
    turnedOver,
    matched: bothTurn && rotor && supplyTurns && reelTurns ? supplyTurns === reelTurns : null,
    expected: {
      asLaidOut: asLaidOut.onSpool,
      turnedOver: bothTurn ? turnedOver.onSpool : null,
      rotor,
      supplyCoil: perMetre(1, supply),
    },
  };
}

function supplyOf(way: SupplySeen['way'], sense: number, rotor: Sense, diameter: number): SupplyWay {
  if (way === 'over-end') return { kind: 'over-end', sense: sense < 0 ? -1 : 1, diameter };
  if (way === 'rig' && rotor !== 0) return { kind: 'rig', withRotor: Math.sign(sense) === rotor };
  return { kind: 'rolling' };
}
