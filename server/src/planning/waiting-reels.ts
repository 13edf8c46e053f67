import type { Piece, PreviewReel } from '@yard-spool/contract';
import type { FillPlan, PlanInput, ReelType } from '@yard-spool/core';
import type { Job } from '@yard-spool/contract';
import type { CutRow, JobRow } from '../db/models/bags';
import { REEL_OF_JOB } from '../db/joins';
import type { Reading, Unit } from '../context/context';
import { readLearning } from '../learning/learning';
import { listPieces } from '../rack/rack';
import { readHouseRules } from '../shop/read-house-rules';
import type { WaitingCut } from './try-plan';

/** A reel that is booked and not on the bench, as plain data. */
export interface WaitingReel {
  readonly planInput: PlanInput;
  readonly plan: FillPlan;
  readonly wants: Job['wants'];
  readonly type: ReelType;
  readonly customerId: number;
  readonly cuts: readonly WaitingCut[];
  readonly shown: Omit<PreviewReel, 'advice' | 'plan' | 'stays'>;
}

/** All reels that wait, the one promised soonest first, and what their plans rest on. */
export interface Waiting {
  readonly reels: readonly WaitingReel[];
  readonly pieces: readonly Piece[];
  readonly learning: Awaited<ReturnType<typeof readLearning>>;
  readonly tailMm: number;
}

/** @param only these jobs, as far as they wait still */
export async function readWaiting(from: Reading, only?: readonly number[]): Promise<Waiting> {
  const where = { state: 'booked' as const, ...(only && { id: [...only] }) };
  return waitingOf(from, await from.tables.jobs.findAll({ where, order: ['id'] }));
}

/**
 * The same under locks: the bags, their waiting reels and the pieces they are promised from, each in the order of their
 * numbers. Until the change ends nobody starts, calls off, plans or books anything on them.
 *
 * @param only these jobs, as far as they wait still
 */
export async function lockWaiting(
  u: Unit,
  only?: readonly number[],
): Promise<Waiting & { readonly jobs: readonly JobRow[] }> {
  const { tables } = u;
  const where = { state: 'booked' as const, ...(only && { id: [...only] }) };
  const booked = await tables.jobs.findAll({ where, attributes: ['id', 'bagId'] });
  await tables.bags.lockAll({ where: { id: booked.map(({ bagId }) => bagId) }, order: ['id'] });
  const jobs = await tables.jobs.lockAll({
    where: { id: booked.map(({ id }) => id), state: 'booked' },
    order: ['id'],
  });
  const cuts = await tables.cuts.findAll({ where: { jobId: jobs.map(({ id }) => id) } });
  await tables.pieces.lockAll({ where: { id: piecesOf(cuts) }, order: ['id'] });
  return { ...(await waitingOf(u, jobs)), jobs };
}

const piecesOf = (cuts: readonly { readonly pieceId: number | null }[]): number[] =>
  cuts.flatMap(({ pieceId }) => pieceId ?? []);

/** Only the reels, with what is cut for them. */
export async function readWaitingReels(from: Reading): Promise<Pick<Waiting, 'reels'>> {
  const jobs = await from.tables.jobs.findAll({ where: { state: 'booked' }, order: ['id'] });
  return { reels: (await reelsOf(from, jobs)).reels };
}

async function waitingOf(from: Reading, jobs: readonly JobRow[]): Promise<Waiting> {
  const [{ reels, cuts }, learning, { tailMm }] = await Promise.all([
    reelsOf(from, jobs),
    readLearning(from),
    readHouseRules(from),
  ]);
  return { reels, pieces: await listPieces(from, { id: piecesOf(cuts) }), learning, tailMm };
}

/** The reels of jobs, the one promised soonest first, and the cuts for them. */
async function reelsOf(
  from: Reading,
  jobs: readonly JobRow[],
): Promise<{ readonly reels: readonly WaitingReel[]; readonly cuts: readonly CutRow[] }> {
  const ids = jobs.map(({ id }) => id);
  const [cuts, whose] = await Promise.all([
    from.tables.cuts.findAll({ where: { jobId: ids }, order: ['id'] }),
    whoseOf(from, ids),
  ]);
  const soonest = (a: WaitingReel, b: WaitingReel): number =>
    a.shown.promisedAt.localeCompare(b.shown.promisedAt) || a.shown.jobId - b.shown.jobId;
  return { reels: joinWaiting({ jobs, cuts, whose }).sort(soonest), cuts };
}

/** A job's reel, its bag and whose it is. */
interface Whose {
  readonly jobId: number;
  readonly tag: string;
  readonly type: ReelType;
  readonly label: string;
  readonly customerId: number;
  readonly customer: string;
  readonly promisedAt: Date;
}

async function whoseOf({ query }: Reading, ids: readonly number[]): Promise<readonly Whose[]> {
  if (ids.length === 0) return [];
  return query<Whose>(
    `SELECT jobs.id AS jobId, reels.tag, reels.type, reels.label, bags.customer_id AS customerId,
       customers.name AS customer, bags.promised_at AS promisedAt
     FROM jobs ${REEL_OF_JOB}
       JOIN bags ON bags.id = jobs.bag_id JOIN customers ON customers.id = bags.customer_id
     WHERE jobs.id IN (:ids)`,
    { ids: [...ids] },
  );
}

/** Rows of the jobs that wait, and of what belongs to them. */
export interface WaitingRows {
  readonly jobs: readonly Pick<JobRow, 'id' | 'bagId' | 'planInput' | 'plan' | 'wants'>[];
  readonly cuts: readonly Pick<
    CutRow,
    'jobId' | 'layer' | 'nth' | 'pieceId' | 'lengthMm' | 'tailMm' | 'takes'
  >[];
  readonly whose: readonly Whose[];
}

/** Each job with its reel, bag, customer and cuts. */
export function joinWaiting({ jobs, cuts, whose }: WaitingRows): WaitingReel[] {
  // By their numbers: a shop has hundreds of each, and one looked for among all others holds everybody up.
  const whoseOfJob = new Map(whose.map((one) => [one.jobId, one]));
  const cutsOf = new Map<number, WaitingRows['cuts'][number][]>();
  for (const cut of cuts) cutsOf.set(cut.jobId, [...(cutsOf.get(cut.jobId) ?? []), cut]);
  return jobs.map(({ id, bagId, planInput, plan, wants }): WaitingReel => {
    const reel = whoseOfJob.get(id);
    if (!reel) throw new Error(`Job ${String(id)} has no reel or no bag.`);
    const { type, customerId, customer, promisedAt, tag, label } = reel;
    return {
      planInput,
      plan,
      wants,
      type,
      customerId,
      cuts: (cutsOf.get(id) ?? []).map(({ layer, nth, pieceId, lengthMm, tailMm, takes }) => ({
        layer,
        nth,
        pieceId,
        lengthMm,
        tailMm,
        takes: takes ?? null,
      })),
      shown: { jobId: id, bagNumber: bagId, customer, promisedAt: promisedAt.toISOString(), tag, label },
    };
  });
}
