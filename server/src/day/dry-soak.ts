import type { Soak } from '@yard-spool/contract';
import { soakAdvice, type DaySoak, type HouseRules, type Line } from '@yard-spool/core';
import { DRIES_IN } from '../rack/water';
import { minutesOf } from './open-spans';

/** How long line that came out of the water can be wound wet, minutes. */
const WET_FOR = DRIES_IN * 60;

/** The soak of a piece that is dry; none where the shop winds its line dry. */
export function drySoak(piece: string, line: Line, rules: HouseRules): DaySoak | null {
  const { hours, tooLongAfter } = soakAdvice(line, rules);
  return hours > 0 ? { piece, least: hours * 60, most: tooLongAfter * 60, wetFor: WET_FOR } : null;
}

/** A soak that is under way. */
export function soakOf({ code, inAt, readyAt, tooLongAt }: Soak): DaySoak {
  const since = minutesOf(new Date(inAt));
  const after = (iso: string): number => minutesOf(new Date(iso)) - since;
  return { piece: code, since, least: after(readyAt), most: after(tooLongAt), wetFor: WET_FOR };
}
