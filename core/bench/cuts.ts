// Which job is fed from which piece, against how a shop does it by eye.
import { greedyCuts } from '../src/cuts/greedy-cuts';
import { planCuts } from '../src/cuts/plan-cuts';
import { scoreCuts, type CutScore } from '../src/cuts/score-cuts';
import type { Stock } from '../src/cuts/stock';
import { highsSolver } from '../src/testing/highs';
import { rackDay } from '../src/testing/stocks';
import { report } from './report';

const DAYS = 50;
const solve = await highsSolver();
const now = (): number => performance.now();

/** First come, first served, from the first piece that has enough: jobs as they are booked, pieces by code. */
const firstFit = ({ jobs, pieces, tailMm }: Stock): CutScore => {
  const left = new Map(pieces.map(({ id, freeMm }) => [id, freeMm]));
  const cuts = jobs.flatMap((job) => {
    // One job at a time, and of its pieces the first by code that has all of it.
    const there = pieces.map((piece) => ({ ...piece, freeMm: left.get(piece.id) ?? 0 }));
    const first = there.find(
      ({ product, freeMm }) => product === job.main.product && freeMm >= job.main.wantedMm,
    );
    const of = first ? [first, ...there.filter(({ product }) => product !== job.main.product)] : there;
    const [cut] = greedyCuts({ jobs: [job], pieces: of, tailMm });
    if (!cut) return [];
    for (const { piece, lengthMm } of [cut.main, ...cut.backing])
      left.set(piece, Math.max(0, (left.get(piece) ?? 0) - lengthMm - tailMm));
    return [cut];
  });
  return scoreCuts({ jobs, pieces, tailMm }, cuts);
};

const totals = { ours: [0, 0, 0, 0], greedy: [0, 0, 0, 0], first: [0, 0, 0, 0] };
let proven = 0;
for (let seed = 1; seed <= DAYS; seed += 1) {
  const stock = rackDay(seed, 24, 30, 8);
  const plan = planCuts(stock, solve, { withinMs: 4000, now });
  if (plan.open.length === 0) proven += 1;
  const scores = { ours: plan.score, greedy: scoreCuts(stock, greedyCuts(stock)), first: firstFit(stock) };
  for (const [who, { unserved, shortMm, opened, scrapMm }] of Object.entries(scores)) {
    const sum = totals[who as keyof typeof totals];
    [unserved, shortMm / 1000, opened, scrapMm / 1000].forEach(
      (value, i) => (sum[i] = (sum[i] ?? 0) + value),
    );
  }
}
console.log(
  `Cuts over ${String(DAYS)} rack days of 24 jobs on 30 pieces, ${String(proven)} of them proven at every level`,
);
for (const [who, sum] of Object.entries(totals))
  ['jobs not served', 'main below what is wanted', 'sealed pieces opened', 'scrap made'].forEach((what, i) =>
    report(`${who}: ${what}`, sum[i] ?? 0, i % 2 === 1 ? 'm' : ''),
  );

const big = rackDay(7, 200, 60, 10);
const begun = now();
const { score, open } = planCuts(big, solve, { withinMs: 5000, now });
report('200 jobs on 60 pieces over ten products', (now() - begun) / 1000, 's', 5);
console.log('  ', JSON.stringify(score), 'open levels', JSON.stringify(open));
console.log('  ', JSON.stringify(scoreCuts(big, greedyCuts(big))), 'at once');
