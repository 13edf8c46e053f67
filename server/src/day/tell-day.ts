import type { DayPlan as ToldDay, DayRow, Job } from '@yard-spool/contract';
import type { Day, DayPlan, MovedOperation, Operation, Placed } from '@yard-spool/core';
import { drawingOfPlan } from '../record/drawings';
import type { GatheredDay, RunOfDay } from './gather-day';
import { isoOf } from './open-spans';

type Moved = readonly (MovedOperation & { readonly why: string })[];

/** A day as it is told: rows with their reels and lines, what is in hand, what has no place, what moved. */
export function tellDay(day: Day, plan: DayPlan, gathered: GatheredDay, moved: Moved): ToldDay {
  const { now, hours, benches, people, tubs, bags, noPlace, later } = gathered;
  const opens = hours.find(([, to]) => to > day.now)?.[0];
  const byId = new Map(day.operations.map((one) => [one.id, one]));
  const customerOf = new Map(bags.map(({ number, customer }) => [String(number), customer]));
  const rows = plan.placed.flatMap((placed): DayRow[] => {
    const operation = byId.get(placed.id);
    return operation ? [rowOf(operation, placed, gathered)] : [];
  });
  return {
    now: now.toISOString(),
    isNew: gathered.isNew,
    opensAt: opens !== undefined && opens > day.now ? isoOf(opens) : null,
    rows: [...doneToday(gathered), ...rows],
    benches: [...benches],
    people: people.map(({ id, name, awayUntil }) => ({ id, name, here: awayUntil === null })),
    tubs: tubs.map(({ name, soaks }) => ({
      name,
      soaks: soaks.map(({ code, tint, inAt, readyAt, tooLongAt }) => ({
        code,
        tint,
        inAt,
        readyAt,
        tooLongAt,
      })),
    })),
    bags: plan.bags
      .map(({ id, due, end, surely, risk }) => ({
        number: Number(id),
        customer: customerOf.get(id) ?? '',
        promisedAt: isoOf(due),
        endAt: isoOf(end),
        surelyAt: isoOf(surely),
        risk,
      }))
      .sort((a, b) => a.promisedAt.localeCompare(b.promisedAt) || a.number - b.number),
    noPlace: noPlace.map(({ job, bag, why, cure }) => ({ jobId: job.id, tag: job.tag, bag, why, cure })),
    changes: plan.score.changes,
    outings: plan.score.outings,
    broken: plan.score.broken,
    later,
    moved: moved
      .filter(({ id }) => byId.has(id))
      .map(({ id, was, is, why }) => ({ id, wasAt: isoOf(was.start), isAt: isoOf(is.start), why })),
  };
}

function rowOf(operation: Operation, placed: Placed, gathered: GatheredDay): DayRow {
  const { id, kind, bags, at } = operation;
  const wish = gathered.wishes[id];
  const hasBegun = at !== undefined && wish?.at !== at;
  return {
    id,
    kind,
    state: hasBegun ? 'now' : 'next',
    startAt: isoOf(placed.start),
    endAt: isoOf(placed.end),
    sdMinutes: placed.sd,
    benchId: placed.bench === '' ? null : Number(placed.bench),
    personId: placed.person === '' ? null : Number(placed.person),
    bags: bags.map(Number),
    ...toldReels(operation, gathered),
    changes: placed.changes,
    outing: placed.outing,
    pinned: wish !== undefined,
  };
}

function toldReels(
  { kind, reels, pieces }: Pick<Operation, 'kind' | 'reels' | 'pieces'>,
  { jobs, bagOf }: GatheredDay,
): Pick<DayRow, 'reels' | 'lines'> {
  const own = reels.flatMap((id) => jobs.get(Number(id)) ?? []);
  const cuts =
    kind === 'fill' ? own.flatMap((job) => job.cuts) : [...jobs.values()].flatMap((job) => job.cuts);
  return {
    reels: kind === 'shelf' ? [] : own.map((job) => toldReel(job, bagOf.get(job.id) ?? 0)),
    lines: pieces.map((code) => {
      const of = cuts.filter(({ pieceCode }) => pieceCode === code);
      return {
        code,
        name: of[0]?.productName ?? '',
        tint: of[0]?.tint ?? '#888888',
        lengthMm: of.reduce((all, { lengthMm }) => all + lengthMm, 0),
      };
    }),
  };
}

const toldReel = (job: Job, bag: number): DayRow['reels'][number] => ({
  jobId: job.id,
  runId: job.runId,
  tag: job.tag,
  label: job.label,
  type: job.type,
  bag,
  drawing: drawingOfPlan(job.planInput, job.plan, new Map(job.cuts.map(({ layer, tint }) => [layer, tint]))),
});

/** What was filled today, of the bags that are still open. */
const doneToday = (gathered: GatheredDay): DayRow[] =>
  gathered.runs.flatMap((run) => (run.closedAt === null ? [] : [doneRow(run, run.closedAt, gathered)]));

function doneRow(run: RunOfDay, closedAt: Date, gathered: GatheredDay): DayRow {
  const job = gathered.jobs.get(run.jobId);
  const pieces = job?.cuts.flatMap(({ pieceCode }) => pieceCode ?? []) ?? [];
  return {
    id: `filled:${String(run.id)}`,
    kind: 'fill',
    state: 'done',
    startAt: run.openedAt.toISOString(),
    endAt: closedAt.toISOString(),
    sdMinutes: 0,
    benchId: run.benchId,
    personId: run.byId,
    bags: [gathered.bagOf.get(run.jobId) ?? 0],
    ...toldReels({ kind: 'fill', reels: [String(run.jobId)], pieces }, gathered),
    changes: 0,
    outing: false,
    pinned: false,
  };
}
