import { beforeAll, describe, expect, it } from 'vitest';
import { highsSolver } from '../solver';
import { piece, stock } from '../testing/cut-cases';
import { filledRackDay, rackDay, smallStock } from '../testing/stocks';
import { greedyCuts } from './greedy-cuts';
import type { Solve } from './level-cuts';
import { partCuts } from './part-cuts';
import { planCuts } from './plan-cuts';
import { quickCuts } from './quick-cuts';
import { compareCuts, faultsOfCuts, ranksOf, scoreCuts, type Ranks } from './score-cuts';
import type { CutJob, JobCut, Stock } from './stock';
import { swapCuts } from './swap-cuts';

const job = (id: string, metres: number, more: Partial<CutJob> = {}): CutJob => ({
  id,
  main: { product: 'A', wantedMm: 1000 * metres, leastMm: 1000 * metres },
  backing: null,
  ...more,
});
const cut = (id: string, from: string, metres: number): JobCut => ({
  job: id,
  main: { piece: from, lengthMm: 1000 * metres },
  backing: [],
});
const swapped = (of: Stock, cuts: readonly JobCut[]): string[] =>
  swapCuts(of, cuts, ranksOf(of.pieces)).map(({ main }) => main.piece);

/** Every length that is cut, whatever it is cut from. */
const lengths = (cuts: readonly JobCut[]): string[] =>
  cuts.flatMap(({ job: id, main, backing }) =>
    [main, ...backing].map(({ lengthMm }, i) => `${id} ${String(i)} ${String(lengthMm)}`),
  );

describe('lengths that change their pieces', () => {
  it('leave less scrap than each where it was', () => {
    const of = stock([job('one', 90), job('two', 100)], [piece('X', 112), piece('Y', 150)]);
    // 112 - 100 - 2 is scrap; the other way round 20 m and 48 m are left.
    expect(swapped(of, [cut('one', 'Y', 90), cut('two', 'X', 100)])).toEqual(['X', 'Y']);
  });

  it('are one for two where that leaves a sealed piece closed', () => {
    const sealed = piece('S', 300, { opened: false, openedAt: null });
    const of = stock(
      [job('one', 100), job('two', 60), job('three', 60)],
      [piece('X', 150), piece('Y', 102), sealed],
    );
    const cuts = [cut('one', 'X', 100), cut('two', 'S', 60), cut('three', 'S', 60)];
    expect(swapped(of, cuts)).toEqual(['Y', 'X', 'X']);
  });

  it('stay where they are asked for, where they match, and off stripped line', () => {
    const pieces = [piece('X', 112), piece('Y', 150)];
    const cuts = [cut('one', 'Y', 90), cut('two', 'X', 100)];
    const asked = job('two', 100, { main: { ...job('two', 100).main, only: 'X' } });
    expect(swapped(stock([job('one', 90), asked], pieces), cuts)).toEqual(['Y', 'X']);
    const set = [job('one', 90, { match: 'boat' }), job('two', 100, { match: 'boat' })];
    expect(swapped(stock(set, pieces), cuts)).toEqual(['Y', 'X']);
    const stripped = [piece('X', 112, { backingOnly: true }), piece('Y', 250)];
    expect(swapped(stock([job('one', 90)], stripped), [cut('one', 'Y', 90)])).toEqual(['Y']);
  });

  it('can be cut, are the same lengths, and are never worse', () => {
    let better = 0;
    for (let seed = 1; seed <= 300; seed += 1) {
      const of = seed % 3 === 0 ? rackDay(seed, 20, 14, 5) : smallStock(seed);
      const before = greedyCuts(of);
      const after = swapCuts(of, before, ranksOf(of.pieces));
      expect([seed, faultsOfCuts(of, after)]).toEqual([seed, []]);
      expect(lengths(after)).toEqual(lengths(before));
      const off = compareCuts(scoreCuts(of, after), scoreCuts(of, before));
      expect([seed, off <= 0]).toEqual([seed, true]);
      if (off < 0) better += 1;
    }
    expect(better).toBeGreaterThan(50);
  });
});

describe('cuts at once', () => {
  it('can be made, and are never worse than best fit', () => {
    let served = 0;
    for (let seed = 1; seed <= 200; seed += 1) {
      const of = seed % 2 === 0 ? rackDay(seed, 24, 14, 5) : smallStock(seed);
      const cuts = quickCuts(of);
      const fit = scoreCuts(of, greedyCuts(of));
      expect([seed, faultsOfCuts(of, cuts)]).toEqual([seed, []]);
      expect([seed, compareCuts(scoreCuts(of, cuts), fit) <= 0]).toEqual([seed, true]);
      served += fit.unserved - scoreCuts(of, cuts).unserved;
    }
    expect(served).toBeGreaterThan(50);
  });
});

describe('more jobs than can be looked at in one piece', () => {
  let solve: Solve;
  beforeAll(async () => {
    solve = await highsSolver();
  });
  /** A clock that goes on each time it is looked at, ms. */
  let at = 0;
  const now = (): number => (at += 5);

  it('are cut main by main: never worse, and mostly more of them served', () => {
    let served = 0;
    for (const seed of [3, 4, 7]) {
      const of = rackDay(seed, 60, 30, 8);
      const ranks: Ranks = ranksOf(of.pieces);
      const before = quickCuts(of, ranks);
      const after = partCuts(of, before, ranks, solve, { until: now() + 1500, now });
      expect([seed, faultsOfCuts(of, after)]).toEqual([seed, []]);
      const was = scoreCuts(of, before);
      const is = scoreCuts(of, after);
      expect([seed, compareCuts(is, was) <= 0]).toEqual([seed, true]);
      served += was.unserved - is.unserved;
    }
    expect(served).toBeGreaterThan(0);
  });

  it('are planned as they can be, and told as not proven where it is not', () => {
    const of = rackDay(7, 120, 60, 10);
    const { cuts, score, open } = planCuts(of, solve, { withinMs: 1500, now });
    expect(faultsOfCuts(of, cuts)).toEqual([]);
    expect(compareCuts(score, scoreCuts(of, quickCuts(of)))).toBeLessThanOrEqual(0);
    expect(open.find(({ level }) => level === 'opened')?.gap).toBeGreaterThan(0);
  });

  it('are proven but for the order where there is line enough', () => {
    const of = filledRackDay(8, 120, 60, 10);
    const { cuts, score, open } = planCuts(of, solve, { withinMs: 20_000, now });
    expect(faultsOfCuts(of, cuts)).toEqual([]);
    expect(open.filter(({ level }) => level !== 'order')).toEqual([]);
    expect(score).toMatchObject({ unserved: 0, shortMm: 0 });
  });
});
