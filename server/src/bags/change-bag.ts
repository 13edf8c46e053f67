import type { Bag, JobChange, Person } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../db/transaction';
import type { BagTableRow, JobRow } from '../db/models/bags';
import type { ReelTableRow } from '../db/models/customers';
import type { House } from '../house';
import { readLearning } from '../learning/learning';
import { withBeliefs } from '../learning/with-beliefs';
import { ProblemError } from '../problem-error';
import { readBag } from './bags';
import { promiseCuts } from './cuts';
import { noteChange } from './history';
import { planOf } from './plan-of';

interface Asked {
  /** The bag's version as it was looked at. */
  readonly version: number;
}

/** A bag under its lock, on the version that was looked at, with what is to be done to it. */
interface Changing {
  readonly bag: BagTableRow;
  readonly transaction: Transaction;
}

/** Does something to a bag that nobody else has changed since it was looked at, and writes down what. */
async function changing(
  house: House,
  person: Person,
  bagId: number,
  { version }: Asked,
  work: (changing: Changing) => Promise<string>,
): Promise<Bag> {
  await inTransaction(house.sequelize, async (transaction) => {
    const bag = await house.tables.bags.findByPk(bagId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!bag) throw new ProblemError('not-found', `There is no bag ${String(bagId)}.`);
    if (bag.version !== version)
      throw new ProblemError(
        'stale-version',
        `Somebody changed bag ${String(bagId)} while you were looking at it. What you typed is still here, and what it says now is beside it.`,
      );
    const what = await work({ bag, transaction });
    await bag.update({ version: version + 1 }, { transaction });
    await noteChange(house, person, bagId, what, transaction);
  });
  return readBag(house, bagId);
}

/** Another promise, other notes. */
export const changeBag = (
  house: House,
  person: Person,
  bagId: number,
  asked: Asked & { readonly promisedAt: string; readonly notes: string },
): Promise<Bag> =>
  changing(house, person, bagId, asked, async ({ bag, transaction }) => {
    const promisedAt = new Date(asked.promisedAt);
    const what = [
      ...(bag.promisedAt.getTime() === promisedAt.getTime() ? [] : ['Promised for another time']),
      ...(bag.notes === asked.notes ? [] : ['Notes changed']),
    ].join(', ');
    await bag.update({ promisedAt, notes: asked.notes }, { transaction });
    return what || 'Looked over, nothing changed';
  });

/** Calls off every reel of a bag that is not on the bench yet; the line promised to them is free again. */
export const cancelBag = (
  house: House,
  person: Person,
  bagId: number,
  asked: Asked & { readonly why: string },
): Promise<Bag> =>
  changing(house, person, bagId, asked, async ({ transaction }) => {
    const jobs = await house.tables.jobs.findAll({
      where: { bagId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const off = jobs.filter(({ state }) => state === 'booked');
    if (off.length === 0)
      throw new ProblemError(
        'already-closed',
        'No reel of this bag waits any more: nothing can be called off.',
      );
    for (const job of off) await callOff(house, job, transaction);
    return `Called off: ${asked.why}`;
  });

/** Plans a reel again before it goes to the bench; the line promised before is given back first. */
export async function changeJob(house: House, person: Person, jobId: number, asked: JobChange): Promise<Bag> {
  const planInput = withBeliefs(asked.planInput, asked, await readLearning(house));
  const plan = planOf(planInput, '');
  return onJob(house, person, jobId, asked, 'booked', async ({ job, reel, tag, transaction }) => {
    await reel.update({ label: asked.label, type: asked.type }, { transaction });
    await house.tables.cuts.destroy({ where: { jobId }, transaction });
    await promiseCuts(house, jobId, asked, plan, transaction);
    await job.update({ planInput, plan, wants: asked.wants }, { transaction });
    return `${tag} planned again`;
  });
}

/** Calls one reel off. */
export const cancelJob = (
  house: House,
  person: Person,
  jobId: number,
  asked: Asked & { readonly why: string },
): Promise<Bag> =>
  onJob(house, person, jobId, asked, 'booked', async ({ job, tag, transaction }) => {
    await callOff(house, job, transaction);
    return `${tag} called off: ${asked.why}`;
  });

const BEFORE = { ready: 'to-check', 'handed-back': 'ready' } as const;
const WORDS = { ready: 'checked and ready', 'handed-back': 'handed back' } as const;

/** Moves a filled reel on: checked and ready, then handed back. */
export const moveJob = (
  house: House,
  person: Person,
  jobId: number,
  asked: Asked & { readonly to: keyof typeof BEFORE },
): Promise<Bag> =>
  onJob(house, person, jobId, asked, BEFORE[asked.to], async ({ job, tag, transaction }) => {
    await job.update({ state: asked.to }, { transaction });
    return `${tag} ${WORDS[asked.to]}`;
  });

const SAYING: Readonly<Record<'booked' | 'to-check' | 'ready', string>> = {
  booked: 'This reel is not waiting any more, so its plan stays as it is.',
  'to-check': 'Only a reel that was filled can be checked.',
  ready: 'Only a reel that was checked can be handed back.',
};

/** A job under its lock, with the reel it is of. */
interface OnJob {
  readonly job: JobRow;
  readonly reel: ReelTableRow;
  readonly tag: string;
  readonly transaction: Transaction;
}

/** Does something to one reel that stands where it must. */
async function onJob(
  house: House,
  person: Person,
  jobId: number,
  asked: Asked,
  must: keyof typeof SAYING,
  work: (on: OnJob) => Promise<string>,
): Promise<Bag> {
  const { tables } = house;
  const found = await tables.jobs.findByPk(jobId);
  if (!found) throw new ProblemError('not-found', 'This reel is not booked in any more.');
  return changing(house, person, found.bagId, asked, async ({ transaction }) => {
    const job = await tables.jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE });
    if (job?.state !== must) throw new ProblemError('already-closed', SAYING[must]);
    const spool = await tables.spools.findByPk(job.spoolId, { transaction });
    const reel = spool && (await tables.reels.findByPk(spool.reelId, { transaction }));
    if (!reel) throw new Error(`Job ${String(jobId)} has no reel.`);
    return work({ job, reel, tag: reel.tag, transaction });
  });
}

async function callOff({ tables }: House, job: JobRow, transaction: Transaction): Promise<void> {
  await tables.cuts.destroy({ where: { jobId: job.id }, transaction });
  await job.update({ state: 'cancelled' }, { transaction });
}
