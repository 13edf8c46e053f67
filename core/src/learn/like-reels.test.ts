import { describe, expect, it } from 'vitest';
import { likeReels } from '../testing/like-reels';
import { KIND_SPREAD } from './learn';

const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;

describe('the second of two like reels', () => {
  it.each([
    ['known by its print alone', false, 3],
    ['measured, too', true, 1.5],
  ] as const)('%s is planned as narrowly as two of a kind are alike, and no more', (_, measured, times) => {
    const pairs = likeReels(300, measured);
    expect(pairs.length).toBeGreaterThan(150);
    const alone = mean(pairs.map((pair) => pair.alone.sd));
    const taught = mean(pairs.map((pair) => pair.taught.sd));
    expect(alone / taught).toBeGreaterThan(times);
    // Two spools of a kind each differ from it, so they differ from each other by more than one does.
    expect(taught).toBeGreaterThan(KIND_SPREAD);
    const inside = mean(pairs.map((pair) => (pair.taught.inside ? 1 : 0)));
    expect(inside).toBeGreaterThan(0.75);
    expect(inside).toBeLessThan(0.9);
  });
});
