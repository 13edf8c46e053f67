import { describe, expect, it } from 'vitest';
import { normalFrom, seeded } from '../numeric/random';
import {
  fillTakes,
  guessedMinutes,
  learnTimes,
  USUAL_TIMES,
  type FillAhead,
  type FillDone,
} from './day-times';

const AHEAD: FillAhead = { type: 'baitcaster', turns: 300, layers: 2, counted: true };

/** Fills of a shop that takes so much longer than guessed, scattered as fills are. */
function shopOf(factor: number, count: number, more: Partial<FillAhead> = {}, seed = 7): FillDone[] {
  const normal = normalFrom(seeded(seed));
  const ahead = { ...AHEAD, ...more };
  return Array.from({ length: count }, () => ({
    ...ahead,
    took: guessedMinutes(ahead) * factor * Math.exp(0.3 * normal()),
  }));
}

describe('How long a fill takes', () => {
  it('is longer with more turns, more lines, a spool that is guided, and by hand', () => {
    const base = guessedMinutes(AHEAD);
    expect(guessedMinutes({ ...AHEAD, turns: 600 })).toBeGreaterThan(base);
    expect(guessedMinutes({ ...AHEAD, layers: 3 })).toBeGreaterThan(base);
    expect(guessedMinutes({ ...AHEAD, counted: false })).toBeGreaterThan(base);
    expect(guessedMinutes({ ...AHEAD, type: 'fixed-spool' })).toBeLessThan(base);
  });

  it('is what the shop takes once it is known, and surer', () => {
    const known = fillTakes(AHEAD, learnTimes(shopOf(1.6, 200)));
    const mean = guessedMinutes(AHEAD) * 1.6 * Math.exp(0.3 ** 2 / 2);
    expect(Math.abs(known.minutes / mean - 1)).toBeLessThan(0.08);
    expect(known.sd / known.minutes).toBeLessThan(0.34);
    expect(fillTakes(AHEAD).sd / fillTakes(AHEAD).minutes).toBeGreaterThan(0.4);
  });

  it('of one type says something of the others, and less', () => {
    const times = learnTimes(shopOf(1.6, 60));
    const other: FillAhead = { ...AHEAD, type: 'trolling' };
    const factor = (ahead: FillAhead): number =>
      fillTakes(ahead, times).minutes / fillTakes(ahead, USUAL_TIMES).minutes;
    expect(factor(other)).toBeGreaterThan(1.15);
    expect(factor(AHEAD)).toBeGreaterThan(factor(other));
  });

  it('is not changed by one that was left standing over night', () => {
    const left: FillDone = { ...AHEAD, took: 900 };
    expect(learnTimes([...shopOf(1, 20), left])).toEqual(learnTimes(shopOf(1, 20)));
  });

  it('covers nine in ten of what comes', () => {
    const times = learnTimes(shopOf(1.3, 40));
    const { minutes, sd } = fillTakes(AHEAD, times);
    const later = shopOf(1.3, 400, {}, 99);
    const inside = later.filter(({ took }) => took < minutes + 1.2816 * sd).length / later.length;
    expect(inside).toBeGreaterThan(0.84);
    expect(inside).toBeLessThan(0.97);
  });
});
