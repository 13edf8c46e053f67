import { soakAdvice, type DaySoak, type HouseRules, type Line } from '@yard-spool/core';
import { DRIES_IN } from '../rack/water';

/** How long line that came out of the water can be wound wet, minutes. */
export const WET_FOR = DRIES_IN * 60;

/** The soak of a piece that is dry; none where the shop winds its line dry. */
export function drySoak(piece: string, line: Line, rules: HouseRules): DaySoak | null {
  const { hours, tooLongAfter } = soakAdvice(line, rules);
  return hours > 0 ? { piece, least: hours * 60, most: tooLongAfter * 60, wetFor: WET_FOR } : null;
}
