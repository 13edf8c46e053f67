import type { Piece, PreviewReel, ReelType } from '@yard-spool/contract';
import type { FillPlan, PlanInput } from '@yard-spool/core';
import type { Job } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { JobRow } from '../db/models/bags';
import type { Reading } from '../context';
import type { Unit } from '../unit';
import { readLearning } from '../learning/learning';
import { listPieces } from '../rack/rack';
import { readHouseRules } from './read-house-rules';
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

export async function readWaiting(from: Reading): Promise<Waiting> {
  const jobs = await from.tables.jobs.findAll({ where: { state: 'booked' }, order: ['id'] });
  return waitingOf(from, jobs);
}

/**
 * The same under locks: the bags, their waiting reels and the pieces they are promised from, each in the order of their
 * numbers. Until the change ends nobody starts, calls off, plans or books anything on them.
 */
export async function lockWaiting(u: Unit): Promise<Waiting & { readonly jobs: readonly JobRow[] }> {
  const { tables } = u;
  const booked = await tables.jobs.findAll({ where: { state: 'booked' }, attributes: ['id', 'bagId'] });
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
  const waiting = jobs.map((job): WaitingReel => {
    const reel = reels.find(({ id }) => id === spools.find((spool) => spool.id === job.spoolId)?.reelId);
    const bag = bags.find(({ id }) => id === job.bagId);
    if (!reel || !bag) throw new Error(`Job ${String(job.id)} has no reel or no bag.`);
    const { planInput, plan, wants } = job;
    return {
      ...{ planInput, plan, wants, type: reel.type, customerId: bag.customerId },
      cuts: cuts
        .filter(({ jobId }) => jobId === job.id)
        .map(({ layer, pieceId, lengthMm, tailMm, takes }) => ({
          ...{ layer, pieceId, lengthMm, tailMm, takes: takes ?? null },
        })),
      shown: {
        jobId: job.id,
        bagNumber: bag.id,
        customer: customers.find(({ id }) => id === bag.customerId)?.name ?? '',
        promisedAt: bag.promisedAt.toISOString(),
        tag: reel.tag,
        label: reel.label,
      },
    };
  });
  const soonest = (a: WaitingReel, b: WaitingReel): number =>
    a.shown.promisedAt.localeCompare(b.shown.promisedAt) || a.shown.jobId - b.shown.jobId;
  return { reels: waiting.sort(soonest), pieces, learning, tailMm };
}
