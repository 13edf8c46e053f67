import { isDeepStrictEqual } from 'node:util';
import { SAME_KIND, type Tried } from '../planning/try-plan';
import type { Job, Person } from '@yard-spool/contract';
import {
  formatCount,
  kindKey,
  message,
  ownMeasures,
  type FillPlan,
  type Observation,
  type PlanInput,
  type Words,
} from '@yard-spool/core';
import { noteChange } from '../history/bag-history';
import { readJob } from '../bags/bags';
import type { ServerContext, Unit } from '../context/context';
import { REEL_OF_JOB } from '../db/joins';
import type { JobRow } from '../db/models/bags';
import { mainLineOf } from '../house-rules/main-line';
import { keepPlan } from '../planning/plan-again';
import { lockWaiting, readWaiting, type Waiting, type WaitingReel } from '../planning/waiting-reels';
import { withBeliefs } from '../learning/with-beliefs';
import { learnedByKind } from '../record/learned';
import { unit } from '../context/unit';
import { inWorker } from '../work/in-worker';

/** How often they are planned without anybody waiting for it, before their bags are held meanwhile. */
const TRIES = 3;

/**
 * Plans the waiting reels of the kind of a reel that was just filled again, from what it taught: same kind, same main line.
 * Their bags say what changed, before anyone winds them. A plan that comes to the same is left alone, and so is one that
 * cannot be kept.
 *
 * Planning takes its time, and nobody else has to wait for it: it is done from what was read, and kept where that stands
 * there still.
 */
export async function replanSameKind(context: ServerContext, person: Person, jobId: number): Promise<void> {
  const filled = await readJob(context, jobId);
  const ids = await likeIt(context, filled);
  if (ids.length === 0) return;
  const learned = (await learnedByKind(context)).get(kindKey(filled)) ?? [];
  for (let left = TRIES; left > 0; left -= 1) {
    const seen = sameKind(await readWaiting(context, ids), filled);
    if (seen.reels.length === 0) return;
    const tried = await plannedFrom(seen, learned);
    const kept = await unit(context, person, async (u) => {
      const { jobs, ...now } = await lockWaiting(u, ids);
      if (!isDeepStrictEqual(sameKind(now, filled), seen)) return false;
      await keepAll(u, filled, jobs, tried);
      return true;
    });
    if (kept) return;
  }
  await unit(context, person, async (u) => {
    const { jobs, ...now } = await lockWaiting(u, ids);
    await keepAll(u, filled, jobs, await plannedFrom(sameKind(now, filled), learned));
  });
}

/** Waiting jobs of a kind of reel, by their numbers. */
async function likeIt({ query }: ServerContext, { type, label }: Job): Promise<number[]> {
  const rows = await query<{ id: number }>(
    `SELECT jobs.id FROM jobs ${REEL_OF_JOB}
     WHERE jobs.state = 'booked' AND reels.type = :type AND reels.label = :label ORDER BY jobs.id`,
    { type, label },
  );
  return rows.map(({ id }) => id);
}

const sameKind = (waiting: Waiting, filled: Job): Waiting => ({
  ...waiting,
  reels: waiting.reels.filter((reel) => isSameKind(reel, filled)),
});

/** A waiting reel, and its plan from what was taught. */
interface TriedReel extends Tried {
  readonly reel: WaitingReel;
}

async function plannedFrom(
  { reels, pieces, learning, tailMm }: Waiting,
  learned: readonly Observation[],
): Promise<TriedReel[]> {
  const tried = await inWorker(SAME_KIND, {
    asked: reels.map((reel) => ({ planInput: taught(reel, learned, learning), cuts: reel.cuts })),
    pieces,
    tailMm,
  });
  return reels.flatMap((reel, i) => {
    const plan = tried[i];
    return plan ? [{ reel, ...plan }] : [];
  });
}

/** Keeps the plans that anybody would notice, and says so in their bags. */
async function keepAll(
  u: Unit,
  filled: Job,
  jobs: readonly JobRow[],
  tried: readonly TriedReel[],
): Promise<void> {
  for (const { reel, replanned } of tried) {
    const job = jobs.find(({ id }) => id === reel.shown.jobId);
    const change = replanned ? changeWords(reel.plan, replanned.plan) : '';
    if (!job || !replanned || change === '') continue;
    await keepPlan(u, job, replanned);
    await u.tables.bags.addOne('version', { id: job.bagId });
    const told = { tag: reel.shown.tag, from: filled.tag, change };
    await noteChange(u, job.bagId, message('bag.taught', told));
  }
}

const isSameKind = (reel: WaitingReel, filled: Job): boolean =>
  kindKey({ type: reel.type, label: reel.shown.label }) === kindKey(filled) &&
  mainLineOf(reel) !== undefined &&
  mainLineOf(reel) === mainLineOf(filled);

/** What a sister is planned from now: its own measures, and what fills of its kind have taught by now. */
function taught(
  { planInput, type, shown }: WaitingReel,
  learned: readonly Observation[],
  learning: Parameters<typeof withBeliefs>[2],
): PlanInput {
  return withBeliefs(
    { ...planInput, observations: [...learned, ...ownMeasures(planInput.observations)] },
    { type, label: shown.label, tag: shown.tag },
    learning,
  );
}

/** Metres less than this are the same at the bench. */
const SAME = 0.5;

/** What changed between two plans, layer by layer; empty where nothing does that anybody would notice. */
function changeWords(before: FillPlan, after: FillPlan): Words {
  return after.layers
    .flatMap(({ id, length, handleTurns, request }): Words[] => {
      const was = before.layers.find((one) => one.id === id);
      if (!was || request.kind !== 'line') return [];
      const turns = `${formatCount(was.handleTurns.value)} → ${formatCount(handleTurns.value)} turns`;
      if (Math.abs(was.length.value - length.value) >= SAME)
        return [
          message('bag.layer-changed', {
            role: request.role,
            turns,
            was: { m: was.length.value },
            is: { m: length.value },
            likely: { m: [length.low, length.high] },
            before: { m: [was.length.low, was.length.high] },
          }),
        ];
      return Math.abs(was.handleTurns.value - handleTurns.value) >= 1 ? [`${request.role} ${turns}`] : [];
    })
    .reduce<Words>((first, then) => (first === '' ? then : message('bag.and', { first, then })), '');
}
