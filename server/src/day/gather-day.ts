import type { DayWish, Job, Tub } from '@yard-spool/contract';
import {
  message,
  type DayReel,
  type DaySoak,
  type HouseRules,
  type Span,
  type Wish,
  type Words,
} from '@yard-spool/core';
import { jobsOf } from '../bags/jobs-of';
import { ASIDE } from '../bench/at-bench';
import { stateOfRun } from '../bench/state-of-run';
import type { RunRow } from '../db/models/runs';
import type { Reading } from '../context/context';
import { inSql, TO_DO } from '../db/job-states';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { heldAnswer } from '../context/held-answer';
import { peopleHere } from '../people/people';
import { listTubs } from '../tubs/tubs';
import { asWish } from './as-wish';
import { drySoak, soakOf } from './dry-soak';
import { needsOf } from './needs-of';
import { minutesOf, openSpans } from './open-spans';

/** Reels that are planned at once: two or three days of a busy shop. What is promised later follows as these go. */
const MOST_REELS = 45;

/** A bag as the day knows it. */
export interface OpenBag {
  readonly number: number;
  readonly customer: string;
  readonly promisedAt: Date;
}

/** A run of one of its reels, as it is or was today. */
export interface RunOfDay {
  readonly id: number;
  readonly jobId: number;
  readonly benchId: number;
  readonly byId: number | null;
  readonly openedAt: Date;
  readonly closedAt: Date | null;
  readonly aside: boolean;
  /** Share of its turns that is still to be wound. */
  readonly left: number;
}

/** A reel that cannot be filled as things are. */
export interface NoPlace {
  readonly job: Job;
  readonly bag: number;
  readonly why: Words;
  readonly cure: Words;
}

/** A bench with the run that is at it, and whether a device counts there. */
export interface BenchOfDay {
  readonly id: number;
  readonly name: string;
  readonly runId: number | null;
  readonly counts: boolean;
}

/** What a day is planned from, and what it is told with. */
export interface GatheredDay {
  readonly now: Date;
  /** Whether no bag was ever booked in. */
  readonly isNew: boolean;
  readonly hours: readonly Span[];
  readonly bags: readonly OpenBag[];
  /** Bags that wait beyond these. */
  readonly later: number;
  readonly jobs: ReadonlyMap<number, Job>;
  readonly bagOf: ReadonlyMap<number, number>;
  readonly reels: readonly DayReel[];
  readonly soaks: readonly DaySoak[];
  readonly noPlace: readonly NoPlace[];
  readonly runs: readonly RunOfDay[];
  readonly benches: readonly BenchOfDay[];
  readonly people: readonly { readonly id: number; readonly name: string; readonly awayUntil: Date | null }[];
  readonly tubs: readonly Tub[];
  /** What is asked by hand, as it was asked and as it is planned with now. */
  readonly asked: Readonly<Record<string, DayWish>>;
  readonly wishes: Readonly<Record<string, Wish>>;
}

/** Reads what a day is planned from: the bags promised soonest, as many as make a day or two. */
export async function gatherDay(from: Reading): Promise<GatheredDay> {
  const now = from.clock();
  const [open, house, benches, people, tubs, asked] = await Promise.all([
    openBags(from),
    readHouseRules(from),
    benchesOf(from),
    peopleOf(from, now),
    listTubs(from),
    wishesOf(from),
  ]);
  const since = inZone(now.toISOString(), house.zone).startOf('day').toJSDate();
  const filled = await filledSince(from, since);
  const numbers = [...open.bags.map(({ number }) => number), ...filled.values()];
  const every = await jobsOf(from, { bags: [...new Set(numbers)] });
  const jobs = new Map(every.map((job) => [job.id, job]));
  const runs = await runsOf(from, jobs, since);
  const all = every.filter(({ id }) => open.bagOf.has(id));
  const waits = all.filter(
    ({ state, cuts }) => state === 'booked' && cuts.some(({ pieceId }) => pieceId === null),
  );
  const bagOf = new Map([...filled, ...open.bagOf]);
  const known = (job: Job): number => bagOf.get(job.id) ?? 0;
  return {
    now,
    isNew: open.isNew,
    hours: openSpans(house.hours, house.zone, now),
    bags: open.bags,
    later: open.later,
    jobs,
    bagOf,
    reels: inSets(
      all
        .filter((job) => !waits.includes(job) && isHere(job))
        .map((job) => reelOf(job, known(job), house.rules, { runs, benches })),
    ),
    soaks: soaksOf(all, tubs, house.rules),
    noPlace: waits.map((job) => ({ job, bag: known(job), ...waitsFor(job) })),
    runs,
    benches,
    people,
    tubs,
    asked,
    wishes: Object.fromEntries(Object.entries(asked).map(([id, one]) => [id, asWish(one, now)])),
  };
}

const isHere = ({ state }: Job): boolean => state !== 'cancelled' && state !== 'handed-back';

/** Open bags, the one promised soonest first, until they have as many reels as are planned at once. */
async function openBags(from: Reading) {
  const rows = await from.query<OpenBag & { readonly jobs: string }>(
    `SELECT bags.id AS number, customers.name AS customer, bags.promised_at AS promisedAt,
       (SELECT GROUP_CONCAT(jobs.id) FROM jobs WHERE jobs.bag_id = bags.id) AS jobs
     FROM bags JOIN customers ON customers.id = bags.customer_id
     WHERE bags.id IN (SELECT bag_id FROM jobs WHERE state IN (${inSql(TO_DO)}))
     ORDER BY bags.promised_at, bags.id LIMIT ${String(MOST_REELS)}`,
    {},
  );
  const [count] = await from.query<{ n: number | string; isNew: number }>(
    `SELECT (SELECT COUNT(DISTINCT bag_id) FROM jobs WHERE state IN (${inSql(TO_DO)})) AS n,
       NOT EXISTS (SELECT 1 FROM bags) AS isNew`,
    {},
  );
  const bags: OpenBag[] = [];
  const bagOf = new Map<number, number>();
  for (const { jobs, ...bag } of rows) {
    if (bagOf.size >= MOST_REELS) break;
    for (const id of jobs.split(',')) bagOf.set(Number(id), bag.number);
    bags.push(bag);
  }
  return { bags, bagOf, isNew: count?.isNew === 1, later: Math.max(0, Number(count?.n ?? 0) - bags.length) };
}

async function benchesOf({ tables }: Reading): Promise<GatheredDay['benches']> {
  const rows = await tables.benches.findAll({
    where: { removed: false },
    order: ['name'],
    attributes: ['id', 'name', 'runId', 'devices'],
  });
  return rows.map(({ id, name, runId, devices }) => ({ id, name, runId, counts: devices.length > 0 }));
}

const AWAYS = heldAnswer(({ tables }) => tables.dayAways.findAll(), ['dayAways']);
const WISHES = heldAnswer(({ tables }) => tables.dayWishes.findAll(), ['dayWishes']);

async function peopleOf(from: Reading, now: Date): Promise<GatheredDay['people']> {
  const [people, aways] = await Promise.all([peopleHere(from), AWAYS.ask(from)]);
  const awayOf = new Map(aways.map(({ personId, until }) => [personId, until]));
  return people.map(({ id, name }) => {
    const until = awayOf.get(id);
    return { id, name, awayUntil: until && until > now ? until : null };
  });
}

async function wishesOf(from: Reading): Promise<Record<string, DayWish>> {
  const rows = await WISHES.ask(from);
  return Object.fromEntries(
    rows.map(({ operation, benchId, personId, earliest, at, apart }): [string, DayWish] => [
      operation,
      {
        benchId,
        personId,
        earliestAt: earliest?.toISOString() ?? null,
        at: at?.toISOString() ?? null,
        apart,
      },
    ]),
  );
}

/** What was filled since a moment, whatever became of its bag: its job, and the bag's number. */
async function filledSince({ query }: Reading, since: Date): Promise<ReadonlyMap<number, number>> {
  const rows = await query<{ id: number; bag: number }>(
    `SELECT jobs.id, jobs.bag_id AS bag FROM fills JOIN runs ON runs.id = fills.run_id JOIN jobs ON jobs.id = runs.job_id
     WHERE fills.closed_at >= :since AND fills.taken_back_at IS NULL`,
    { since },
  );
  return new Map(rows.map(({ id, bag }) => [id, bag]));
}

async function runsOf(from: Reading, jobs: ReadonlyMap<number, Job>, since: Date): Promise<RunOfDay[]> {
  const jobIds = [...jobs.keys()];
  if (jobIds.length === 0) return [];
  const rows = await from.query<Omit<RunOfDay, 'aside' | 'left'> & { readonly aside: number | string }>(
    `SELECT runs.id, runs.job_id AS jobId, runs.bench_id AS benchId, runs.opened_at AS openedAt,
       runs.closed_at AS closedAt, ${ASIDE} AS aside,
       (SELECT by_id FROM run_events WHERE run_events.run_id = runs.id ORDER BY seq DESC LIMIT 1) AS byId
     FROM runs WHERE runs.job_id IN (:jobIds) AND runs.state IN ('open', 'closed')
       AND (runs.closed_at IS NULL OR runs.closed_at >= :since) ORDER BY runs.id`,
    { jobIds, since },
  );
  const open = await from.tables.runs.findAll({ where: { id: rows.map(({ id }) => id), state: 'open' } });
  const left = new Map<number, number>();
  for (const run of open) left.set(run.id, await leftOf(from, run, jobs.get(run.jobId)));
  return rows.map((row) => ({ ...row, aside: Number(row.aside) === 1, left: left.get(row.id) ?? 0 }));
}

/** Which share of the turns a run was planned with is still to be wound. */
async function leftOf(from: Reading, run: RunRow, job: Job | undefined): Promise<number> {
  const planned = job?.plan.layers.filter(({ request }) => request.kind === 'line') ?? [];
  const all = planned.reduce((sum, { handleTurns }) => sum + handleTurns.value, 0);
  if (all <= 0) return 1;
  const { state } = await stateOfRun(from, run);
  const wound = planned.reduce(
    (sum, { id, handleTurns }) => sum + Math.max(0, Math.min(state.turns[id] ?? 0, handleTurns.value)),
    0,
  );
  return 1 - wound / all;
}

/** Whether a device counts, wherever a reel is filled. */
export const allCount = (benches: readonly BenchOfDay[]): boolean =>
  benches.length > 0 && benches.every(({ counts }) => counts);

type AtBenches = Pick<GatheredDay, 'runs' | 'benches'>;

function reelOf(job: Job, bag: number, rules: HouseRules, { runs, benches }: AtBenches): DayReel {
  const { id, state, plan, cuts } = job;
  const run = runs.find((one) => one.jobId === id && one.closedAt === null);
  const bench = run && benches.find((one) => one.runId === run.id);
  const isOn = state === 'on-the-bench' && run !== undefined && bench !== undefined && !run.aside;
  const begun = isOn && {
    begun: {
      at: minutesOf(run.openedAt),
      bench: String(bench.id),
      person: String(run.byId ?? ''),
      left: run.left,
    },
  };
  return {
    id: String(id),
    bag: String(bag),
    state: state === 'ready' || state === 'to-check' ? state : isOn ? 'on-the-bench' : 'booked',
    pieces: [...new Set(cuts.flatMap(({ pieceCode }) => pieceCode ?? []))],
    ...needsOf(job, plan.layers, { rules, counted: bench?.counts ?? allCount(benches) }),
    ...(begun || {}),
  };
}

/** Reels with counters that came in one bag are used together: they are filled one after another, and agree. */
const inSets = (reels: readonly DayReel[]): DayReel[] =>
  reels.map((reel) => {
    const others = reels.filter(({ bag, state, walk }) => bag === reel.bag && state === 'booked' && walk);
    return others.length > 1 && others.includes(reel) ? { ...reel, set: 'counters' } : reel;
  });

/** Pieces that are wound wet: in a tub, still wet, or dry yet though the shop soaks their line. */
function soaksOf(jobs: readonly Job[], tubs: readonly Tub[], rules: HouseRules): DaySoak[] {
  const inWater = new Map(tubs.flatMap(({ soaks }) => soaks.map((soak) => [soak.code, soak] as const)));
  const soaks = new Map<string, DaySoak>();
  for (const { state, cuts, planInput } of jobs) {
    if (state !== 'booked') continue;
    for (const { pieceCode, layer, water } of cuts) {
      const of = planInput.request.layers.find(({ id }) => id === layer);
      if (pieceCode === null || of?.kind !== 'line') continue;
      const soak = inWater.get(pieceCode);
      const dry = water === 'dry' ? drySoak(pieceCode, of.line, rules) : null;
      if (soak) soaks.set(pieceCode, soakOf(soak));
      else if (dry) soaks.set(pieceCode, dry);
    }
  }
  return [...soaks.values()];
}

function waitsFor({ cuts }: Job): { readonly why: Words; readonly cure: Words } {
  const waiting = cuts.filter(({ pieceId }) => pieceId === null);
  const metres = waiting.reduce((all, { lengthMm }) => all + lengthMm / 1000, 0);
  const line = waiting[0]?.productName ?? '';
  return {
    why: message('day.waits-for', { waits: { m: metres }, line }),
    cure: 'Add a spool of it to the rack, or plan the reel with another line.',
  };
}
