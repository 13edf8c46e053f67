import { chanceBelow, NINETIETH } from '../numeric/normal';

/** What is known of one line's use, mm. */
export interface LineUse {
  /** Left on pieces of use once every reel that waits is cut. */
  readonly freeMm: number;
  /** What reels that wait lack. */
  readonly lacksMm: number;
  /** Used in each of the last weeks. */
  readonly weekly: readonly number[];
  /** On reels that become due in the weeks looked ahead. */
  readonly dueMm: number;
}

export interface OrderNeed {
  /** Likely used in the weeks looked ahead, beside what reels that wait take. */
  readonly expectedMm: number;
  /** Chance that what is left lasts so long. */
  readonly lasts: number;
  /** What is missing to have enough in nine of ten such times; 0 where nothing is. */
  readonly needMm: number;
}

/** How many of the reels that are due come in within weeks of it. From memory, no source. */
const DUE_COME = 0.3;

/**
 * What a line needs for the next weeks: use goes on as in the last ones, as unevenly, and some of what is due comes in. The
 * mean of few weeks is itself not sure.
 *
 * @param weeks looked ahead: until the next order and its delivery
 */
export function orderNeed({ freeMm, lacksMm, weekly, dueMm }: LineUse, weeks: number): OrderNeed {
  const n = weekly.length;
  const mean = n === 0 ? 0 : sum(weekly) / n;
  const variance = n < 2 ? mean ** 2 : sum(weekly.map((one) => (one - mean) ** 2)) / (n - 1);
  const due = DUE_COME * dueMm;
  const expectedMm = mean * weeks + due;
  const sd = Math.sqrt(
    variance * weeks * (1 + weeks / Math.max(1, n)) + DUE_COME * (1 - DUE_COME) * due * dueMm,
  );
  const spare = freeMm - lacksMm;
  return {
    expectedMm,
    lasts: sd > 0 ? chanceBelow((spare - expectedMm) / sd) : Number(spare >= expectedMm),
    needMm: Math.max(0, Math.ceil(expectedMm + NINETIETH * sd - spare)),
  };
}

const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0);
