// Which job is fed from which piece, against how a shop does it by eye.
import { firstComeCuts } from '../src/cuts/first-come';
import { greedyCuts } from '../src/cuts/greedy-cuts';
import { planCuts } from '../src/cuts/plan-cuts';
import { quickCuts } from '../src/cuts/quick-cuts';
import { scoreCuts, type CutScore } from '../src/cuts/score-cuts';
import type { Stock } from '../src/cuts/stock';
import { highsSolver } from '../src/solver';
import { filledRackDay, rackDay } from '../src/testing/stocks';
import { report } from './report';

const DAYS = 50;
const solve = await highsSolver();
const now = (): number => performance.now();

type Totals = Readonly<Record<'ours' | 'at once' | 'best fit' | 'first come', number[]>>;
const LEVELS = ['jobs not served', 'main below what is wanted', 'sealed pieces opened', 'scrap made'];

const add = (sum: number[], { unserved, shortMm, opened, scrapMm }: CutScore): void => {
  [unserved, shortMm / 1000, opened, scrapMm / 1000].forEach((value, i) => (sum[i] = (sum[i] ?? 0) + value));
};

/** Rack days one after another, told with how many were proven. */
function days(what: string, dayOf: (seed: number) => Stock): void {
  const totals: Totals = { ours: [], 'at once': [], 'best fit': [], 'first come': [] };
  const proven = { all: 0, butOrder: 0 };
  for (let seed = 1; seed <= DAYS; seed += 1) {
    const stock = dayOf(seed);
    const plan = planCuts(stock, solve, { withinMs: 2000, now });
    if (plan.open.length === 0) proven.all += 1;
    if (plan.open.every(({ level }) => level === 'order')) proven.butOrder += 1;
    add(totals.ours, plan.score);
    add(totals['at once'], scoreCuts(stock, quickCuts(stock)));
    add(totals['best fit'], scoreCuts(stock, greedyCuts(stock)));
    add(totals['first come'], scoreCuts(stock, firstComeCuts(stock)));
  }
  console.log(
    `${what}: ${String(DAYS)} of 24 jobs on 30 pieces; proven at every level ${String(proven.all)}, at all but the order ${String(proven.butOrder)}`,
  );
  for (const [who, sum] of Object.entries(totals))
    LEVELS.forEach((level, i) => {
      report(`${who}: ${level}`, sum[i] ?? 0, i % 2 === 1 ? 'm' : '');
    });
}

days('Rack days short of line', (seed) => rackDay(seed, 24, 30, 8));
days('Rack days with line enough', (seed) => filledRackDay(seed, 24, 30, 8));

for (const [what, dayOf] of [
  ['line enough', filledRackDay],
  ['short of line', rackDay],
] as const)
  for (const seed of [7, 8, 9, 10]) {
    const big = dayOf(seed, 200, 60, 10);
    const quick = now();
    const atOnce = quickCuts(big);
    report(`200 jobs on 60 pieces, ${what}: at once`, (now() - quick) / 1000, 's', 0.5);
    const begun = now();
    const { score, open } = planCuts(big, solve, { withinMs: 5000, now });
    report('  as good as can be found', (now() - begun) / 1000, 's', 6);
    console.log('  ', JSON.stringify(score), 'open levels', JSON.stringify(open));
    console.log('  ', JSON.stringify(scoreCuts(big, atOnce)), 'at once');
    console.log('  ', JSON.stringify(scoreCuts(big, greedyCuts(big))), 'best fit');
  }
