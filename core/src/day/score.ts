import { chanceBelow, NINETIETH } from '../numeric/normal';
import type { BagInHand, Day, DayBag, Placed, Score } from './day';

/** Levels of a score, the one that counts most first. */
const LEVELS = [
  'dried',
  'broken',
  'late',
  'unsure',
  'risk',
  'changes',
  'outings',
  'finish',
] as const satisfies readonly (keyof Score)[];

/** What is to be as small as it can be: a smaller number at an earlier place counts for more than anything behind it. */
export type Cost = readonly number[];

export const costOfScore = (score: Score): Cost => LEVELS.map((level) => score[level]);

/** Below 0 where the first is better, above 0 where it is worse. */
export function compareCosts(a: Cost, b: Cost): number {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}

export const compareScores = (a: Score, b: Score): number => compareCosts(costOfScore(a), costOfScore(b));

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
