// Seeded days of 12 to 40 reels: ours beside the orders that people use, as planned and as lived with times that scatter.
import { byArrival, byPromise, soaksFirst } from '../src/day/first-orders';
import type { Day, DayPlan } from '../src/day/day';
import { orderedBy, planDay } from '../src/day/plan-day';
import { placeOperations, workOf } from '../src/day/place-operations';
import { normalFrom, percentile, seeded } from '../src/numeric/random';
import { someDay } from '../src/testing/days';

const DAYS = 50;
const LIVES = 20;
/** The longest a day may be looked at for a better order. */
const PATIENCE_MS = 2000;

/** Bags late where each thing takes as long as it happens to take, in the order and at the benches that were planned. */
function lived(day: Day, plan: DayPlan, normal: () => number): number {
  const operations = day.operations.map((one) => {
    const spread = Math.sqrt(Math.log(1 + (one.sd / one.minutes) ** 2));
    return { ...one, minutes: one.minutes * Math.exp(spread * normal() - spread ** 2 / 2) };
  });
  const benchOf = new Map(plan.placed.flatMap(({ id, bench }) => (bench ? [[id, bench] as const] : [])));
  const order = plan.placed.map(({ id }) => id);
  return placeOperations(workOf({ ...day, operations }), order, benchOf).score.broken;
}

const WAYS = {
  ours: (day: Day): DayPlan => {
    const until = performance.now() + PATIENCE_MS;
    return planDay(day, { tries: Infinity, goOn: () => performance.now() < until }).plan;
  },
  'earliest promise first': (day: Day) => orderedBy(workOf(day), byPromise(day)).plan,
  'soaks, then bag by bag': (day: Day) => orderedBy(workOf(day), soaksFirst(day)).plan,
  'first come': (day: Day) => orderedBy(workOf(day), byArrival(day)).plan,
} as const;

const days = Array.from({ length: DAYS }, (_, i) => someDay(i + 1, 12 + Math.round((28 * i) / (DAYS - 1))));
const bags = days.reduce((all, day) => all + day.bags.length, 0);

process.stdout.write(
  `\n${String(DAYS)} days of 12 to 40 reels, ${String(bags)} bags, two benches, two people\n`,
);
process.stdout.write(
  '                             broken   of them lived   minutes late   changes   outings   done by\n',
);
for (const [name, planOf] of Object.entries(WAYS)) {
  const normal = normalFrom(seeded(5));
  const plans = days.map((day) => ({ day, plan: planOf(day) }));
  const sum = (of: (plan: DayPlan) => number): number => plans.reduce((all, { plan }) => all + of(plan), 0);
  const lives = plans.flatMap(({ day, plan }) =>
    Array.from({ length: LIVES }, () => lived(day, plan, normal)),
  );
  const figures = [
    sum(({ score }) => score.broken),
    lives.reduce((all, one) => all + one, 0) / LIVES,
    sum(({ score }) => score.late),
    sum(({ score }) => score.changes),
    sum(({ score }) => score.outings),
    percentile(
      plans.map(({ plan }) => plan.score.finish),
      0.5,
    ),
  ];
  const [broken, late, minutes, changes, outings, finish] = figures.map((figure) => figure.toFixed(0));
  process.stdout.write(
    `  ${name.padEnd(25)} ${broken?.padStart(7) ?? ''} ${late?.padStart(15) ?? ''} ${minutes?.padStart(14) ?? ''} ${changes?.padStart(9) ?? ''} ${outings?.padStart(9) ?? ''} ${finish?.padStart(9) ?? ''}\n`,
  );
}
