import type { BagInHand, DayPlan as ToldDay, DayRow, Job } from '@yard-spool/contract';
import {
  fillId,
  type Day,
  type DayPlan,
  type MovedOperation,
  type Operation,
  type Placed,
} from '@yard-spool/core';
import { drawingOfPlan } from '../record/drawings';
import type { GatheredDay, RunOfDay } from './gather-day';
import { hasBegun } from './has-begun';
import { isoOf } from './open-spans';

type Moved = readonly (MovedOperation & { readonly why: string })[];

/** A day as it is told: rows with their reels and lines, what is in hand, what has no place, what moved. */
export function tellDay(
  day: Day,
  plan: DayPlan,
  gathered: GatheredDay,
  { moved, improving }: { readonly moved: Moved; readonly improving: boolean },
): ToldDay {
  const { now, hours, benches, people, tubs, noPlace, later } = gathered;
  const opens = hours.find(([, to]) => to > day.now)?.[0];
  const byId = new Map(day.operations.map((one) => [one.id, one]));
  const rows = plan.placed.flatMap((placed): DayRow[] => {
    const operation = byId.get(placed.id);
    return operation ? [rowOf(operation, placed, gathered)] : [];
  });
  return {
    now: now.toISOString(),
    isNew: gathered.isNew,
    opensAt: opens !== undefined && opens > day.now ? isoOf(opens) : null,
    rows: [...doneToday(gathered), ...rows],
    benches: benches.map(({ id, name, runId }) => ({ id, name, runId })),
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
    bags: tellBags(plan, gathered),
    noPlace: noPlace.map(({ job, bag, why, cure }) => ({ jobId: job.id, tag: job.tag, bag, why, cure })),
    changes: plan.score.changes,
    outings: plan.score.outings,
    broken: plan.score.broken,
    later,
    moved: moved
      .filter(({ id }) => byId.has(id))
      .map(({ id, was, is, why }) => ({ id, wasAt: isoOf(was.start), isAt: isoOf(is.start), why })),
    improving,
  };
}

/** What each bag has in hand, the one promised soonest first. */
export function tellBags(plan: DayPlan, { bags }: GatheredDay): BagInHand[] {
  const customerOf = new Map(bags.map(({ number, customer }) => [String(number), customer]));
  return plan.bags
    .map(({ id, due, end, surely, risk }) => ({
      number: Number(id),
      customer: customerOf.get(id) ?? '',
      promisedAt: isoOf(due),
      endAt: isoOf(end),
      surelyAt: isoOf(surely),
      risk,
    }))
    .sort((a, b) => a.promisedAt.localeCompare(b.promisedAt) || a.number - b.number);
}

function rowOf(operation: Operation, placed: Placed, gathered: GatheredDay): DayRow {
  const { id, kind, bags } = operation;
  return {
    id,
    kind,
    state: hasBegun(operation, gathered.wishes) ? 'now' : 'next',
    startAt: isoOf(placed.start),
    endAt: isoOf(placed.end),
    benchId: placed.bench === '' ? null : Number(placed.bench),
    personId: placed.person === '' ? null : Number(placed.person),
    bags: bags.map(Number),
    ...toldReels(operation, gathered),
    changes: placed.changes,
    set: setOf(operation, gathered),
    pinned: gathered.wishes[id] !== undefined,
  };
}

/** The set a reel is filled with, or was until somebody took it apart. */
function setOf({ id, kind, reels: [first] }: Operation, { reels, wishes }: GatheredDay): DayRow['set'] {
  const reel = kind === 'fill' ? reels.find((one) => one.id === first) : undefined;
  if (reel?.set === undefined) return null;
  const set = fillId(reel);
  return set === id || wishes[set]?.apart ? { id: set, apart: set !== id } : null;
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
    benchId: run.benchId,
    personId: run.byId,
    bags: [gathered.bagOf.get(run.jobId) ?? 0],
    ...toldReels({ kind: 'fill', reels: [String(run.jobId)], pieces }, gathered),
    changes: 0,
    set: null,
    pinned: false,
  };
}
