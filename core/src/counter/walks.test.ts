import { describe, expect, it } from 'vitest';
import { metresPer } from './counter-unit';
import { byEight, byFit, byHalving, scoreWalks } from '../testing/counter-shop';

const FT = 0.3048;
const FEET = { unit: 'ft', step: 1 } as const;
const REELS = { reels: 150, seed: 7 };

describe('walks until a counter is left as it is, on simulated reels', () => {
  it.each([
    ['100 ft', { match: 100 * FT, face: FEET }],
    ['30 m', { match: 30, face: { unit: 'm', step: 0.1 } }],
    ['100 ft, the first at a wrong mark,', { match: 100 * FT, face: FEET, firstWrong: true }],
    ['200 ft', { match: 200 * FT, face: FEET }],
  ] as const)('at %s are two, the confirming one included, and seldom three', (_, world) => {
    const score = scoreWalks(world, () => byFit, REELS);
    expect(score.median).toBeLessThanOrEqual(2);
    expect(score.ninetieth).toBeLessThanOrEqual(3);
    expect(score.within).toBeGreaterThan(0.9);
  });

  it('of a kind seen before are mostly one', () => {
    const score = scoreWalks({ match: 100 * FT, face: FEET, known: true }, () => byFit, REELS);
    expect(score.median).toBe(1);
    expect(score.within).toBeGreaterThan(0.85);
  });

  it('on a counter of whole metres or yards are read between the figures before it is said to agree', () => {
    for (const unit of ['m', 'yd'] as const) {
      const face = { unit, step: 1 };
      const score = scoreWalks({ match: 30 * metresPer(unit), face }, () => byFit, REELS);
      expect(score.median).toBeLessThanOrEqual(3);
      expect(score.within).toBeGreaterThan(0.8);
    }
  });

  it('with the tape read wrong in one of ten are seldom more than three', () => {
    const world = { match: 100 * FT, face: FEET, wrongMarks: 0.1 };
    const score = scoreWalks(world, () => byFit, REELS);
    expect(score.ninetieth).toBeLessThanOrEqual(3);
    expect(score.within).toBeGreaterThan(0.88);
  });

  it('are fewer, and end nearer the tape, than by eight to one or by halving guesses', () => {
    const world = { match: 100 * FT, face: FEET };
    const ours = scoreWalks(world, () => byFit, REELS);
    for (const method of [() => byEight, byHalving]) {
      const theirs = scoreWalks(world, method, REELS);
      expect(theirs.ninetieth).toBeGreaterThan(ours.ninetieth);
      expect(theirs.within).toBeLessThan(ours.within);
    }
  });
});
