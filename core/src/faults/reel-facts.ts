import { isBraid } from '../lines/line';
import { REEL_TRAITS } from '../lines/reel-type';
import type { FaultReel } from './cause';

// What a cause asks of a reel. Where nobody knows the line, nothing is ruled out by it.

export const onBraid = ({ material }: FaultReel): boolean => material === null || isBraid(material);
export const onSolid = ({ material }: FaultReel): boolean => material === null || !isBraid(material);
export const onNylon = ({ material }: FaultReel): boolean =>
  material === null || (!isBraid(material) && material !== 'fluorocarbon');
export const onRotor = ({ type }: FaultReel): boolean => REEL_TRAITS[type].windsRound;
/** A spool that turns while line is cast off it: it can run on. */
export const runsOn = ({ type }: FaultReel): boolean =>
  REEL_TRAITS[type].cast && !REEL_TRAITS[type].windsRound;
