import { adviceFacts, overridesFor, type Override, type Piece, type PreviewReel } from '@yard-spool/contract';
import {
  adviceSheet,
  changedAdvice,
  effectiveRules,
  gapAdvice,
  makePlan,
  type FillPlan,
  type HouseRules,
  type PlanInput,
} from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import type { JobRow } from '../db/models/bags';
import type { House } from '../house';
import { readLearning } from '../learning/learning';
import { withBeliefs } from '../learning/with-beliefs';
import { listPieces } from '../rack/rack';
import { mainLineOf } from './effective';

/** House rules and what was set otherwise, at one moment. */
export interface Ruling {
  readonly rules: HouseRules;
  readonly overrides: readonly Override[];
}

/** One reel that waits, with what other rules make of it. */
export interface OpenReel {
  readonly job: JobRow;
  readonly shown: Omit<PreviewReel, 'advice' | 'plan' | 'stays'>;
  readonly advice: PreviewReel['advice'];
  /** The plan made replanned; null where it stays as it is. */
  readonly replanned: { readonly planInput: PlanInput; readonly plan: FillPlan } | null;
  readonly stays: string;
}

/**
 * What turning one ruling into another makes of every reel that waits. Plans whose gap is the house's follow its rule,
 * one after another, as far as the pieces they are cut from have the line.
 */
export async function openReels(
  house: House,
  [before, after]: readonly [Ruling, Ruling],
  tailMm: number,
  transaction?: Transaction,
): Promise<OpenReel[]> {
  const waiting = await waitingReels(house, transaction);
  const learning = await readLearning(house, transaction);
  const pieces = new Map((await listPieces(house, {}, transaction)).map((piece) => [piece.id, piece]));
  const free = new Map([...pieces].map(([id, { lengthMm, promisedMm }]) => [id, lengthMm - promisedMm]));
  return waiting.flatMap(({ job, cuts, type, customerId, shown }): OpenReel[] => {
    const { plan, wants } = job;
    const byLayer: Record<string, Piece | undefined> = Object.fromEntries(
      cuts.map(({ layer, pieceId }) => [layer, pieces.get(pieceId)]),
    );
    const facts = adviceFacts(plan, type, byLayer, wants.bevelMm);
    if (!facts) return [];
    const keys = { line: mainLineOf(job), customer: customerId, reel: shown.tag };
    const [was, is] = [before, after].map(
      ({ rules, overrides }) => effectiveRules(rules, overridesFor(overrides, keys)).rules,
    );
    if (!was || !is) return [];
    const advice = changedAdvice(adviceSheet(facts, was), adviceSheet(facts, is));
    const top = facts.layers.at(-1)?.line.diameter ?? 0;
    const { gap } = gapAdvice(top, type, facts.rim, is);
    if (wants.gap !== 'house' || Math.abs(gap - (job.planInput.request.gap ?? gap)) < 1e-9)
      return [{ job, shown, advice, replanned: null, stays: '' }];
    const fresh = withBeliefs(job.planInput, { type, label: shown.label }, learning);
    const planInput = { ...fresh, request: { ...fresh.request, gap } };
    const made = tryPlan(planInput, cuts, { pieces, free, tailMm });
    return [{ job, shown, advice, ...made }];
  });
}

interface Rack {
  readonly pieces: ReadonlyMap<number, Piece>;
  /** mm free of each piece; what a new plan takes is taken off. */
  readonly free: Map<number, number>;
  readonly tailMm: number;
}

interface Cut {
  readonly layer: string;
  readonly pieceId: number;
  readonly lengthMm: number;
}

/** Makes a plan again, or says why it has to stay as it is. */
function tryPlan(
  planInput: PlanInput,
  cuts: readonly Cut[],
  { pieces, free, tailMm }: Rack,
): Pick<OpenReel, 'replanned' | 'stays'> {
  const made = makePlan(planInput);
  const blocking = made.ok
    ? made.value.plan.issues.filter(({ severity }) => severity === 'error')
    : made.issues;
  if (!made.ok || blocking[0])
    return { replanned: null, stays: blocking[0]?.sentence ?? 'The plan does not work so.' };
  const { plan } = made.value;
  const wanted = cuts.map((cut) => ({
    ...cut,
    now: Math.round((plan.layers.find(({ id }) => id === cut.layer)?.length.value ?? 0) * 1000),
  }));
  for (const { pieceId, lengthMm, now } of wanted) {
    if (now + tailMm > (free.get(pieceId) ?? 0) + lengthMm)
      return {
        replanned: null,
        stays: `Piece ${pieces.get(pieceId)?.code ?? ''} has not enough free line for it.`,
      };
  }
  for (const { pieceId, lengthMm, now } of wanted)
    free.set(pieceId, (free.get(pieceId) ?? 0) + lengthMm - now);
  return { replanned: { planInput, plan }, stays: '' };
}

async function waitingReels({ tables }: House, transaction?: Transaction) {
  const inIt = transaction ? { transaction } : {};
  const jobs = await tables.jobs.findAll({ where: { state: 'booked' }, order: ['id'], ...inIt });
  const [cuts, spools, bags] = await Promise.all([
    tables.cuts.findAll({ where: { jobId: jobs.map(({ id }) => id) }, order: ['id'], ...inIt }),
    tables.spools.findAll({ where: { id: jobs.map(({ spoolId }) => spoolId) }, ...inIt }),
    tables.bags.findAll({ where: { id: jobs.map(({ bagId }) => bagId) }, ...inIt }),
  ]);
  const [reels, customers] = await Promise.all([
    tables.reels.findAll({ where: { id: spools.map(({ reelId }) => reelId) }, ...inIt }),
    tables.customers.findAll({ where: { id: bags.map(({ customerId }) => customerId) }, ...inIt }),
  ]);
  return jobs
    .map((job) => {
      const spool = spools.find(({ id }) => id === job.spoolId);
      const reel = reels.find(({ id }) => id === spool?.reelId);
      const bag = bags.find(({ id }) => id === job.bagId);
      if (!reel || !bag) throw new Error(`Job ${String(job.id)} has no reel or no bag.`);
      return {
        job,
        cuts: cuts
          .filter(({ jobId }) => jobId === job.id)
          .map(({ layer, pieceId, lengthMm }): Cut => ({ layer, pieceId, lengthMm })),
        type: reel.type,
        customerId: bag.customerId,
        shown: {
          jobId: job.id,
          bagNumber: bag.id,
          customer: customers.find(({ id }) => id === bag.customerId)?.name ?? '',
          promisedAt: bag.promisedAt.toISOString(),
          tag: reel.tag,
          label: reel.label,
        },
      };
    })
    .sort((a, b) => a.shown.promisedAt.localeCompare(b.shown.promisedAt) || a.job.id - b.job.id);
}
