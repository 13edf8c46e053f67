import { chanceBelow, NINETIETH } from '../numeric/normal';
import type { BagInHand, Day, DayBag, Placed, Score } from './day';

/** Levels of a score, the one that counts most first. */
export const LEVELS = [
  'dried',
  'broken',
  'late',
  'unsure',
  'risk',
  'changes',
  'outings',
  'finish',
] as const satisfies readonly (keyof Score)[];

/** Below 0 where the first is better, above 0 where it is worse. */
export function compareScores(a: Score, b: Score): number {
  for (const level of LEVELS) if (a[level] !== b[level]) return a[level] - b[level];
  return 0;
}

/** As late as a bag is told to be that nobody is there to fill: thirty days. */
const NEVER = 43_200;
/** A promise is meant to be held in nine days of ten. */
const MOST_RISK = 0.1;

/**
 * What a bag's last operation comes to beside its promise.
 *
 * @param ends its operations; null for one that nobody is there to do
 */
export function inHand({ id, due }: DayBag, ends: readonly (Placed | null)[]): BagInHand {
  if (ends.includes(null)) return { id, due, end: due + NEVER, surely: due + NEVER, risk: 1 };
  const last = ends.reduce<Placed | null>(
    (late, one) => (late && one && late.end >= one.end ? late : one),
    null,
  );
  if (!last) return { id, due, end: due, surely: due, risk: 0 };
  const { end, sd } = last;
  const risk = sd > 0 ? 1 - chanceBelow((due - end) / sd) : end > due ? 1 : 0;
  return { id, due, end, surely: end + NINETIETH * sd, risk };
}

/**
 * What a day comes to.
 *
 * @param dried times a limit of a soak was not kept
 */
export function scoreOf(
  day: Day,
  placed: readonly Placed[],
  bags: readonly BagInHand[],
  dried: number,
): Score {
  let broken = 0;
  let late = 0;
  let unsure = 0;
  let risk = 0;
  for (const bag of bags) {
    if (bag.end > bag.due + HALF) {
      broken += 1;
      late += bag.end - bag.due;
    } else if (bag.risk > MOST_RISK) unsure += 1;
    risk += bag.risk;
  }
  let changes = 0;
  let outings = 0;
  let finish = day.now;
  for (const one of placed) {
    changes += one.changes;
    if (one.outing) outings += 1;
    finish = Math.max(finish, one.end);
  }
  return {
    dried,
    broken,
    late: Math.round(late),
    unsure,
    risk: Math.round(100 * risk),
    changes,
    outings,
    finish: Math.round(finish),
  };
}

/** Half a minute over is on time: nobody reads a clock closer. */
const HALF = 0.5;
