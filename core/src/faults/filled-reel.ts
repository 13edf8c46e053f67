import { isBraid, type Line } from '../lines/line';
import type { ReelType } from '../lines/reel-type';
import type { HouseRules } from '../house-rules/house-rules';
import type { Lying } from '../record/lying';
import type { LaySeen, SlackSeen, TensionSeen } from '../run/run-state';
import type { FaultReel } from './cause';

/** A layer as it lies now: what its line is called, and the turns of the handle it took when it was wound. */
export interface FilledLayer extends Lying {
  readonly name: string;
  /** Turns of the handle for what is left of it; 0 where nobody counted. */
  readonly handleTurns: number;
}

/** What the record knows of a filled reel that is not right. Lengths of line in m, depths and radii in mm. */
export interface FilledReel {
  readonly type: ReelType;
  readonly rules: HouseRules;
  /** What lies on it now, arbor first. */
  readonly layers: readonly FilledLayer[];
  readonly lip: number;
  /** Gap it was to end at. */
  readonly wanted: number;
  /** Gap when it left, as it was read, else as it was counted. */
  readonly gapClosed: number;
  /** Depth of the line now: as it left, and deeper by what is gone since. */
  readonly gapNow: number;
  /** Gone off its top since. */
  readonly off: number;
  readonly months: number;
  /** Null where nobody told any. */
  readonly trips: number | null;
  /** Whether tape lies below its line; null where that was not kept. */
  readonly taped: boolean | null;
  /** Whether reels filled from its lot come back more than chance allows; null where it has no lot. */
  readonly lotStandsOut: boolean | null;
  /** The same of whoever wound it. */
  readonly handStandsOut: boolean;
  /** Whether its line was wound wet; null where nobody knows. */
  readonly wet: boolean | null;
  /** Turns a metre the way its supply stood puts in, and what it would at best; null where nobody looked. */
  readonly supplyTwist: { readonly turns: number; readonly best: number } | null;
  /** kg its drag was read at when it left; null where it was not. */
  readonly drag: number | null;
  /** Rated strength of everything that drag pulls on, kg; null where nobody knows it. */
  readonly strengths: readonly (number | null)[];
  /** Looks made while it was wound. */
  readonly slacks: readonly SlackSeen[];
  readonly tensions: readonly TensionSeen[];
  readonly lays: readonly LaySeen[];
}

/** What can be wrong with a reel at all, by the lines on it, arbor first; where there are none, nothing is known of them. */
export const faultReelOf = (type: ReelType, lines: readonly Line[]): FaultReel => ({
  type,
  material: lines.at(-1)?.material ?? null,
  backing: lines.length === 0 ? null : lines.some(({ key }) => key !== lines.at(-1)?.key),
});

/** Backing that springs, below braid; null where there is none. */
export function springyBelow({ layers }: FilledReel, from: number): FilledLayer | null {
  const braided = layers.findIndex(({ line }) => isBraid(line.material));
  const below = layers[braided - 1];
  return below?.line.material === 'nylon' && below.line.diameter >= from ? below : null;
}
