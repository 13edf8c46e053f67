import { SAME_KIND } from '../planning/try-plan';
import type { Job, Person } from '@yard-spool/contract';
import {
  kindKey,
  message,
  type FillPlan,
  type Observation,
  type PlanInput,
  type Words,
} from '@yard-spool/core';
import { noteChange } from '../history/bag-history';
import { readJob } from '../bags/bags';
import type { ServerContext } from '../context/context';
import { mainLineOf } from '../house-rules/main-line';
import { keepPlan } from '../planning/plan-again';
import { lockWaiting, type WaitingReel } from '../planning/waiting-reels';
import { withBeliefs } from '../learning/with-beliefs';
import { learnedByKind } from '../record/learned';
import { unit } from '../context/unit';
import { inWorker } from '../work/in-worker';

/**
 * Plans the waiting reels of the kind of a reel that was just filled again, from what it taught: same kind, same main line. Their
 * bags say what changed, before anyone winds them. A plan that comes to the same is left alone, and so is one that cannot
 * be kept.
 */
export async function replanSameKind(context: ServerContext, person: Person, jobId: number): Promise<void> {
  const filled = await readJob(context, jobId);
  await unit(context, person, async (u) => {
    const { jobs, ...waiting } = await lockWaiting(u);
    const ofItsKind = waiting.reels.filter((reel) => isSameKind(reel, filled));
    if (ofItsKind.length === 0) return;
    const learned = (await learnedByKind(u)).get(kindKey(filled)) ?? [];
    const asked = ofItsKind.map((reel) => ({
      reel,
      planInput: taught(reel, learned, waiting.learning),
    }));
    const tried = await inWorker(SAME_KIND, {
      asked: asked.map(({ reel, planInput }) => ({ planInput, cuts: reel.cuts })),
      pieces: waiting.pieces,
      tailMm: waiting.tailMm,
    });
    for (const [i, { replanned }] of tried.entries()) {
      const reel = ofItsKind[i];
      const job = jobs.find(({ id }) => id === reel?.shown.jobId);
      const change = reel && replanned ? changeWords(reel.plan, replanned.plan) : '';
      if (!job || !reel || !replanned || change === '') continue;
      await keepPlan(u, job, replanned);
      await u.tables.bags.addOne('version', { id: job.bagId });
      const told = { tag: reel.shown.tag, from: filled.tag, change };
      await noteChange(u, job.bagId, message('bag.taught', told));
    }
  });
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
  const own = planInput.observations.filter(({ kind }) => kind !== 'depth' && kind !== 'stretch');
  return withBeliefs(
    { ...planInput, observations: [...learned, ...own] },
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
      const turns = `${was.handleTurns.value.toFixed(0)} → ${handleTurns.value.toFixed(0)} turns`;
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
