import type { Day, Span } from '../day/day';
import { USUAL_TIMES } from '../day/day-times';
import { operationsOf, type DayReel, type DaySoak } from '../day/operations-of';
import { seeded } from '../numeric/random';
import { REEL_TYPES } from '../lines/reel-type';

const pick = <T>(from: readonly T[], random: () => number): T => from[Math.floor(random() * from.length)]!;

/** Open from nine to six, for five days; minutes from midnight of the first. */
export const OPEN: readonly Span[] = [0, 1, 2, 3, 4].map((day) => [day * 1440 + 540, day * 1440 + 1080]);

/** A day of so many reels as a bench meets them: a few lines that many want, some soaked, some to strip, some to walk. */
export function someDay(seed: number, reelCount: number, more: Partial<Day> = {}): Day {
  const random = seeded(seed);
  const pieces = Array.from({ length: 4 + Math.round(reelCount / 6) }, (_, i) => `P-${String(i)}`);
  const backings = ['B-0', 'B-1'];
  const soaks: DaySoak[] = pieces
    .filter(() => random() < 0.3)
    .map((piece) => ({ piece, least: 90, most: 240, wetFor: 1440 }));
  const reels: DayReel[] = [];
  const bags: Day['bags'][number][] = [];
  while (reels.length < reelCount) {
    const bag = `bag-${String(bags.length)}`;
    const several = Math.min(reelCount - reels.length, 1 + Math.floor(random() * random() * 5));
    const main = pick(pieces, random);
    const type = pick(REEL_TYPES, random);
    const isSet = type === 'trolling' && several > 1;
    for (let i = 0; i < several; i += 1)
      reels.push({
        id: `r-${String(reels.length)}`,
        bag,
        state: 'booked',
        fill: {
          type,
          turns: 150 + Math.round(450 * random()),
          layers: random() < 0.6 ? 2 : 1,
          counted: random() < 0.5,
        },
        pieces: [pick(backings, random), random() < 0.8 ? main : pick(pieces, random)],
        strip: random() < 0.4,
        walk: type === 'trolling',
        relief: type === 'fixed-spool' && random() < 0.2,
        ...(isSet ? { set: 'a' } : {}),
      });
    bags.push({ id: bag, due: 600 + 15 * Math.round(reelCount * 1.6 * random()), came: bags.length });
  }
  return {
    now: 545,
    hours: OPEN,
    benches: ['one', 'two'],
    people: [
      { id: 'Ada', hours: OPEN },
      { id: 'Bo', hours: OPEN },
    ],
    bags,
    operations: operationsOf({ now: 545, reels, soaks, times: USUAL_TIMES, wishes: {} }),
    ...more,
  };
}
