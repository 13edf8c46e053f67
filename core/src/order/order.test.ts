import { beforeAll, describe, expect, it } from 'vitest';
import type { Solve } from '../cuts/level-cuts';
import { normalFrom, seeded } from '../numeric/random';
import { highsSolver } from '../solver';
import { orderNeed } from './order-need';
import { orderPacks, type PackSize } from './order-packs';

let solve: Solve;
beforeAll(async () => {
  solve = await highsSolver();
});
const packs = (sizes: readonly PackSize[], neededMm: number, longestMm = 0) =>
  orderPacks(sizes, { neededMm, longestMm }, solve, 2000);
const size = (metres: number, minor: number): PackSize => ({ lengthMm: 1000 * metres, minor });

/** The least any packs cost that hold so much, tried one by one. */
function tryAll(sizes: readonly PackSize[], neededMm: number, longestMm: number): number {
  let best = Infinity;
  const go = (i: number, mm: number, minor: number, isLong: boolean): void => {
    if (minor >= best) return;
    if (mm >= neededMm && isLong) {
      best = minor;
      return;
    }
    const one = sizes[i];
    if (!one) return;
    for (let n = 0; n <= Math.ceil(neededMm / one.lengthMm) + 1; n += 1)
      go(i + 1, mm + n * one.lengthMm, minor + n * one.minor, isLong || (n > 0 && one.lengthMm >= longestMm));
  };
  go(0, 0, 0, longestMm <= 0);
  return best;
}

describe('packs to order', () => {
  it('are as cheap as any there are', () => {
    const random = seeded(5);
    for (let i = 0; i < 100; i += 1) {
      const sizes = Array.from({ length: 1 + Math.floor(3 * random()) }, () =>
        size(50 + Math.floor(900 * random()), 300 + Math.floor(4000 * random())),
      );
      const neededMm = Math.floor(2_500_000 * random());
      const longestMm = random() < 0.5 ? 0 : Math.max(...sizes.map(({ lengthMm }) => lengthMm)) - 1;
      if (neededMm + longestMm === 0) continue;
      const found = packs(sizes, neededMm, longestMm)!;
      expect([i, found.minor]).toEqual([i, tryAll(sizes, neededMm, longestMm)]);
      expect(
        found.packs.reduce((all, { lengthMm, count }) => all + lengthMm * count, 0),
      ).toBeGreaterThanOrEqual(neededMm);
    }
  });

  it('are none where nothing is needed, no price is known, or none is long enough', () => {
    expect(packs([size(300, 500)], 0)).toBeNull();
    expect(packs([size(300, 0)], 1000)).toBeNull();
    expect(packs([size(300, 500)], 1000, 400_000)).toBeNull();
  });
});

describe('what a line needs', () => {
  const use = { freeMm: 0, lacksMm: 0, weekly: [100, 100, 100, 100], dueMm: 0 };

  it('is what reels that wait lack, and what even use takes', () => {
    expect(orderNeed({ ...use, freeMm: 400 }, 4)).toMatchObject({ expectedMm: 400, needMm: 0, lasts: 1 });
    expect(orderNeed({ ...use, freeMm: 400, lacksMm: 50 }, 4)).toMatchObject({ needMm: 50, lasts: 0 });
    expect(orderNeed({ ...use, weekly: [] }, 4)).toMatchObject({ expectedMm: 0, needMm: 0 });
  });

  it('is enough in nine of ten such times', () => {
    const random = seeded(11);
    const normal = normalFrom(random);
    let enough = 0;
    const times = 2000;
    for (let i = 0; i < times; i += 1) {
      const week = (): number => 1000 + 200 * normal();
      const { needMm } = orderNeed({ ...use, weekly: Array.from({ length: 12 }, week) }, 4);
      if (week() + week() + week() + week() <= needMm) enough += 1;
    }
    expect(enough / times).toBeGreaterThan(0.87);
    expect(enough / times).toBeLessThan(0.93);
  });
});
