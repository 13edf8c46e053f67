import { fail, succeed, type PlainIssue, type Result } from '../issue';
import { ranged, type Ranged } from '../numeric/ranged';

/** How well a person reads a ruler beside wraps, one standard deviation, mm. From memory. */
const RULER_SD = 0.25;

const wrong = (sentence: string): PlainIssue => ({ code: 'wraps-out-of-range', severity: 'error', sentence });

/**
 * A line's diameter from turns laid side by side on a pencil over a ruler: the width they take over their number.
 *
 * @param width mm
 * @param turns at least five, for the ruler to tell
 * @returns mm, with the range a ruler leaves
 */
export function diameterByWraps(width: number, turns: number): Result<Ranged, PlainIssue> {
  if (!(Number.isInteger(turns) && turns >= 5 && turns <= 200))
    return fail(wrong('Lay from 5 to 200 turns side by side, without gaps.'));
  const diameter = width / turns;
  if (!(diameter >= 0.04 && diameter <= 3))
    return fail(wrong('That comes to a line no reel takes. Measure the width of all turns together, in mm.'));
  return succeed(ranged(diameter, RULER_SD / turns, 0));
}
