import { expect, it } from 'vitest';
import { filledRackDay, rackDay } from '../testing/stocks';
import { firstComeCuts } from './first-come';
import { greedyCuts } from './greedy-cuts';
import { faultsOfCuts, scoreCuts } from './score-cuts';
import { wasteOf } from './waste';

it('is the scrap of the score and a tail for each cut, as far as there was line for it', () => {
  for (let seed = 1; seed <= 20; seed += 1) {
    const stock = rackDay(seed, 12, 14, 5);
    const cuts = greedyCuts(stock);
    const waste = wasteOf(stock, cuts);
    const sum = (of: (one: (typeof waste)[number]) => number): number =>
      waste.reduce((all, one) => all + of(one), 0);
    expect(sum(({ scrapMm }) => scrapMm)).toBe(scoreCuts(stock, cuts).scrapMm);
    const made = cuts.reduce((all, { backing }) => all + 1 + backing.length, 0);
    expect(sum(({ tailsMm }) => tailsMm)).toBeLessThanOrEqual(made * stock.tailMm);
    expect(sum(({ tailsMm }) => tailsMm)).toBeGreaterThan(0.8 * made * stock.tailMm);
  }
});

it('is cut first come by code, as jobs come', () => {
  const stock = filledRackDay(3, 12, 14, 5);
  const cuts = firstComeCuts(stock);
  expect(faultsOfCuts(stock, cuts)).toEqual([]);
  const [job] = stock.jobs;
  const first = stock.pieces.find(
    ({ product, freeMm }) => product === job!.main.product && freeMm >= job!.main.wantedMm,
  );
  expect(cuts[0]!.main.piece).toBe(first!.id);
});
