import { metresPer } from './counter-unit';
import { WALK_SD, type CounterBelief, type CounterFace } from './counter-beliefs';
import type { Walk } from './counter-fit';
import { chanceBelow } from '../numeric/normal';

/**
 * What would make a walk surer before anything is done about it: a reading at the half-way mark while the line is wound
 * back in, which tells a mark taken for another whatever a turn is worth; a second walk before a counter is said to be past
 * matching; or a reading between the figures where a whole unit is too coarse to tell whether it agrees.
 */
export type WalkCheck = 'half-way' | 'second' | 'between';

/** What to do now: walk, wind on, take off, or cut; or that no level on this spool makes it agree. */
export type CounterVerdict = 'walk' | 'add' | 'take-off' | 'agrees' | 'out-of-reach';

/** It agrees where that is this likely. */
const LIKELY = 0.9;
/** Steps whose rounding is less than this share of what is near enough are fine enough. */
const COARSE = 0.5;
/** More walks to the mark tell no more than two where none is read between the figures. */
const ENOUGH = 2;
/** A walk was at the level that is now where no more than this was moved since, m. */
export const SAME_LEVEL = 0.25;
/** Two marks are one where they lie no farther apart, m. */
const SAME_MARK = 0.01;

interface Checked {
  readonly verdict: CounterVerdict;
  readonly walks: readonly Walk[];
  readonly from: CounterBelief['from'];
  readonly face: CounterFace;
  readonly match: number;
}

/** How near a counter comes at its mark. */
interface Near {
  /** How far the counter shows too much at the mark, in its unit, with one standard deviation. */
  readonly off: number;
  readonly sd: number;
  /** How near is near enough, m. */
  readonly tolerance: number;
}

/** What would make it surer; null where nothing is to be checked. */
export function checkOf(seen: Checked, near: Near): WalkCheck | null {
  const { verdict, walks, from } = seen;
  const alone = walks.length === 1;
  if (verdict === 'out-of-reach') return alone ? 'second' : null;
  if (verdict === 'agrees' && tooCoarse(seen, near)) return 'between';
  return alone && from === 'usual' && verdict !== 'walk' ? 'half-way' : null;
}

/** Whether it is one more reading at the mark that would make it surer. */
export const walksAgain = (check: WalkCheck | null): boolean => check === 'second' || check === 'between';

function tooCoarse({ walks, face, match }: Checked, { off, sd, tolerance }: Near): boolean {
  const last = walks.at(-1);
  if (!last) return false;
  const here = walks.filter(
    ({ moved, tape }) => Math.abs(moved - last.moved) <= SAME_LEVEL && Math.abs(tape - match) <= SAME_MARK,
  );
  if (here.length >= ENOUGH || here.some((walk) => (walk.step ?? face.step) < 1)) return false;
  const most = tolerance / metresPer(face.unit);
  if (WALK_SD.step * face.step < COARSE * most) return false;
  return chanceBelow((most - off) / sd) - chanceBelow((-most - off) / sd) < LIKELY;
}
