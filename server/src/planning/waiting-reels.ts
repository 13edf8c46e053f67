import type { Piece, PreviewReel } from '@yard-spool/contract';
import type { FillPlan, PlanInput, ReelType } from '@yard-spool/core';
import type { Job } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { CutRow, JobRow } from '../db/models/bags';
import type { ReelTableRow } from '../db/models/customers';
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

const byId = <Row extends { readonly id: number }>(rows: readonly Row[]): ReadonlyMap<number, Row> =>
  new Map(rows.map((row) => [row.id, row]));

async function waitingOf(from: Reading, jobs: readonly JobRow[]): Promise<Waiting> {
  const { tables } = from;
  const [cuts, spools, bags, learning, { tailMm }] = await Promise.all([
    tables.cuts.findAll({ where: { jobId: jobs.map(({ id }) => id) }, order: ['id'] }),
    tables.spools.findAll({ where: { id: jobs.map(({ spoolId }) => spoolId) } }),
    tables.bags.findAll({ where: { id: jobs.map(({ bagId }) => bagId) } }),
    readLearning(from),
    readHouseRules(from),
  ]);
  const [pieces, reels, customers] = await Promise.all([
    listPieces(from, { id: piecesOf(cuts) }),
    tables.reels.findAll({ where: { id: { [Op.in]: spools.map(({ reelId }) => reelId) } } }),
    tables.customers.findAll({ where: { id: bags.map(({ customerId }) => customerId) } }),
  ]);
  const waiting = joinWaiting({ jobs, cuts, spools, bags, reels, customers });
  const soonest = (a: WaitingReel, b: WaitingReel): number =>
    a.shown.promisedAt.localeCompare(b.shown.promisedAt) || a.shown.jobId - b.shown.jobId;
  return { reels: waiting.sort(soonest), pieces, learning, tailMm };
}

/** Rows of the jobs that wait, and of what belongs to them. */
export interface WaitingRows {
  readonly jobs: readonly Pick<JobRow, 'id' | 'spoolId' | 'bagId' | 'planInput' | 'plan' | 'wants'>[];
  readonly cuts: readonly Pick<
    CutRow,
    'jobId' | 'layer' | 'nth' | 'pieceId' | 'lengthMm' | 'tailMm' | 'takes'
  >[];
  readonly spools: readonly { readonly id: number; readonly reelId: number }[];
  readonly bags: readonly { readonly id: number; readonly customerId: number; readonly promisedAt: Date }[];
  readonly reels: readonly Pick<ReelTableRow, 'id' | 'type' | 'tag' | 'label'>[];
  readonly customers: readonly { readonly id: number; readonly name: string }[];
}

/** Each job with its reel, bag, customer and cuts. */
export function joinWaiting({ jobs, cuts, spools, bags, reels, customers }: WaitingRows): WaitingReel[] {
  // By their numbers: a shop has hundreds of each, and one looked for among all others holds everybody up.
  const spoolOf = byId(spools);
  const reelOf = byId(reels);
  const bagOf = byId(bags);
  const customerOf = byId(customers);
  const cutsOf = new Map<number, WaitingRows['cuts'][number][]>();
  for (const cut of cuts) cutsOf.set(cut.jobId, [...(cutsOf.get(cut.jobId) ?? []), cut]);
  return jobs.map((job): WaitingReel => {
    const reel = reelOf.get(spoolOf.get(job.spoolId)?.reelId ?? 0);
    const bag = bagOf.get(job.bagId);
    if (!reel || !bag) throw new Error(`Job ${String(job.id)} has no reel or no bag.`);
    const { planInput, plan, wants } = job;
    return {
      planInput,
      plan,
      wants,
      type: reel.type,
      customerId: bag.customerId,
      cuts: (cutsOf.get(job.id) ?? []).map(({ layer, nth, pieceId, lengthMm, tailMm, takes }) => ({
        layer,
        nth,
        pieceId,
        lengthMm,
        tailMm,
        takes: takes ?? null,
      })),
      shown: {
        jobId: job.id,
        bagNumber: bag.id,
        customer: customerOf.get(bag.customerId)?.name ?? '',
        promisedAt: bag.promisedAt.toISOString(),
        tag: reel.tag,
        label: reel.label,
      },
    };
  });
}
