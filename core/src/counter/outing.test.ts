import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOuting } from './outing';

/** The least walking of all ways to part reels into trips, tried one by one. */
function least(marks: readonly number[], carried: number): number {
  if (marks.length === 0) return 0;
  const [first = 0, ...others] = marks;
  let best = Infinity;
  for (let chosen = 0; chosen < 2 ** others.length; chosen += 1) {
    const along = others.filter((_, i) => (chosen >> i) & 1);
    if (along.length >= carried) continue;
    const rest = others.filter((_, i) => !((chosen >> i) & 1));
    best = Math.min(best, 2 * Math.max(first, ...along) + least(rest, carried));
  }
  return best;
}

describe('an outing', () => {
  it('walks no farther than the best of all ways to part the reels', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 90 }), { maxLength: 6 }),
        fc.integer({ min: 1, max: 3 }),
        (marks, carried) => {
          const trips = planOuting(
            marks.map((match, i) => ({ id: String(i), match })),
            carried,
          );
          expect(trips.reduce((sum, { distance }) => sum + distance, 0)).toBe(least(marks, carried));
          expect(trips.flatMap(({ reels }) => reels)).toHaveLength(marks.length);
        },
      ),
    );
  });

  it('reads the nearest mark first, on the way out', () => {
    const reels = [30.48, 30, 60].map((match, i) => ({ id: String(i), match }));
    expect(planOuting(reels, 3)).toEqual([{ reels: [reels[1], reels[0], reels[2]], distance: 120 }]);
    expect(planOuting(reels, 0)).toHaveLength(3);
  });
});
