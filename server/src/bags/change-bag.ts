import type { Bag, JobChange, MoveJob, Person } from '@yard-spool/contract';
import type { PlanInput, ReelType } from '@yard-spool/core';
import type { BagTableRow, JobRow } from '../db/models/bags';
import type { ReelTableRow } from '../db/models/customers';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { readLearning } from '../learning/learning';
import { withBeliefs } from '../learning/with-beliefs';
import { gearSaid } from './reel-gear';
import { ProblemError } from '../problem-error';
import { readBag } from './bags';
import { bringLines, giveOwnLineBack } from './brought-line';
import { lockPieces, promiseCuts } from './cuts';
import { noteChange } from '../history/bag-history';
import { plansOf } from '../planning/plan-of';
import { withRecord } from './with-record';

interface Asked {
  /** The bag's version as it was looked at. */
  readonly version: number;
}

/** Does something to a bag that nobody else has changed since it was looked at, and writes down what. */
export async function changing(
  context: ServerContext,
  person: Person,
  bagId: number,
  { version }: Asked,
  work: (u: Unit, bag: BagTableRow) => Promise<string>,
): Promise<Bag> {
  await unit(context, person, async (u) => {
    const bag = await u.lockVersioned(u.tables.bags, bagId, version, {
      gone: `There is no bag ${String(bagId)}.`,
      changed: `Somebody changed bag ${String(bagId)} while you were looking at it. What you typed is still here, and what it says now is beside it.`,
    });
    const what = await work(u, bag);
    await u.tables.bags.change(bag, { version: version + 1 });
    await noteChange(u, bagId, what);
    await u.happened.readyChanged(bagId);
  });
  return readBag(context, bagId);
}

/** Another promise, other notes. */
export const changeBag = (
  context: ServerContext,
  person: Person,
  bagId: number,
  asked: Asked & { readonly promisedAt: string; readonly notes: string },
): Promise<Bag> =>
  changing(context, person, bagId, asked, async (u, bag) => {
    const promisedAt = new Date(asked.promisedAt);
    const what = [
      ...(bag.promisedAt.getTime() === promisedAt.getTime() ? [] : ['Promised for another time']),
      ...(bag.notes === asked.notes ? [] : ['Notes changed']),
    ].join(', ');
    await u.tables.bags.change(bag, { promisedAt, notes: asked.notes });
    await u.happened.renamed('bag', [bag.id]);
    return what || 'Looked over, nothing changed';
  });

/** Calls off every reel of a bag that is not on the bench yet; the line promised to them is free again. */
export const cancelBag = (
  context: ServerContext,
  person: Person,
  bagId: number,
  asked: Asked & { readonly why: string },
): Promise<Bag> =>
  changing(context, person, bagId, asked, async (u) => {
    const jobs = await u.tables.jobs.lockAll({ where: { bagId }, order: ['id'] });
    const off = jobs.filter(({ state }) => state === 'booked');
    if (off.length === 0)
      throw new ProblemError(
        'already-closed',
        'No reel of this bag waits any more: nothing can be cancelled.',
      );
    for (const job of off) await callOff(u, job);
    await giveOwnLineBack(u, bagId);
    return `Cancelled: ${asked.why}`;
  });

/** Plans a reel again before it goes to the bench; the line promised before is given back first. */
export async function changeJob(
  context: ServerContext,
  person: Person,
  jobId: number,
  asked: JobChange,
): Promise<Bag> {
  const planInput = withBeliefs(...(await knownOf(context, jobId, asked)), await readLearning(context));
  const [plan] = await plansOf([{ planInput, path: '' }]);
  if (!plan) throw new Error('One input has one plan.');
  return onJob(context, person, jobId, asked, 'booked', async (u, { job, reel, tag }) => {
    await u.tables.reels.change(reel, { label: asked.label, type: asked.type });
    await u.happened.renamed('reel', [reel.id]);
    await lockPieces(u, [asked]);
    await u.tables.cuts.removeAll({ jobId });
    const brought = await bringLines(u, job.bagId, asked.brought);
    await promiseCuts(u, jobId, asked, plan, { bagId: job.bagId, brought });
    await gearSaid(u, job.spoolId, planInput);
    await u.tables.jobs.change(job, { planInput, plan, wants: asked.wants });
    return `${tag} planned again`;
  });
}

/** A plan's input with what is on record of its spool, and what its beliefs are about. */
async function knownOf(
  context: ServerContext,
  jobId: number,
  asked: JobChange,
): Promise<[PlanInput, { type: ReelType; label: string; tag?: string }]> {
  const { jobs, spools, reels } = context.tables;
  const job = await jobs.findByPk(jobId);
  const spool = job && (await spools.findByPk(job.spoolId));
  const reel = spool && (await reels.findByPk(spool.reelId));
  const { type, label } = asked;
  return [
    await withRecord(context, asked, spool && { reelId: spool.reelId, spool }),
    { type, label, ...(reel ? { tag: reel.tag } : {}) },
  ];
}

/** Calls one reel off. */
export const cancelJob = (
  context: ServerContext,
  person: Person,
  jobId: number,
  asked: Asked & { readonly why: string },
): Promise<Bag> =>
  onJob(context, person, jobId, asked, 'booked', async (u, { job, tag }) => {
    await callOff(u, job);
    await giveOwnLineBack(u, job.bagId);
    return `${tag} cancelled: ${asked.why}`;
  });

type Moved = MoveJob['to'];
/** Where a reel stands before it is moved on, and where it must stand for that to be undone. */
const BEFORE = { ready: 'to-check', 'handed-back': 'ready' } as const;
const AFTER = { 'to-check': 'ready', ready: 'handed-back' } as const;
const WORDS: Readonly<Record<Moved, string>> = {
  'to-check': 'to be checked',
  ready: 'checked and ready',
  'handed-back': 'handed back',
};

/**
 * Moves a filled reel on: checked and ready, then handed back; or back where that was a slip.
 *
 * @throws ProblemError already-closed where it stands elsewhere, and where own line has gone with it
 */
export const moveJob = (
  context: ServerContext,
  person: Person,
  jobId: number,
  asked: MoveJob,
): Promise<Bag> => {
  const { to, undo } = asked;
  const must = undo ? to !== 'handed-back' && AFTER[to] : to !== 'to-check' && BEFORE[to];
  if (must === false) throw new ProblemError('bad-request', 'A reel is not moved like that.');
  return onJob(context, person, jobId, asked, must, async (u, { job, tag }) => {
    if (undo && (await u.tables.pieces.count({ where: { broughtWith: job.bagId, writtenOff: true } })) > 0)
      throw new ProblemError(
        'not-allowed',
        'The customer’s own line went back with it: that is not undone here.',
      );
    await u.tables.jobs.change(job, { state: to });
    if (to === 'handed-back') await giveOwnLineBack(u, job.bagId);
    return undo ? `${tag} is ${WORDS[to]} again` : `${tag} ${WORDS[to]}`;
  });
};

const SAYING: Readonly<Record<'booked' | 'to-check' | 'ready' | 'handed-back', string>> = {
  booked: 'This reel is not waiting any more, so its plan stays as it is.',
  'to-check': 'Only a reel that was filled can be checked.',
  ready: 'Only a reel that was checked can be handed back.',
  'handed-back': 'This reel was not handed back: there is nothing to undo.',
};

/** A job under its lock, with the reel it is of. */
interface OnJob {
  readonly job: JobRow;
  readonly reel: ReelTableRow;
  readonly tag: string;
}

/** Does something to one reel that stands where it must. */
async function onJob(
  context: ServerContext,
  person: Person,
  jobId: number,
  asked: Asked,
  must: keyof typeof SAYING,
  work: (u: Unit, on: OnJob) => Promise<string>,
): Promise<Bag> {
  const found = await context.tables.jobs.findByPk(jobId);
  if (!found) throw new ProblemError('not-found', 'This reel is not booked in any more.');
  return changing(context, person, found.bagId, asked, async (u) => {
    const { jobs, spools, reels } = u.tables;
    const job = await jobs.lock(jobId);
    if (job?.state !== must) throw new ProblemError('already-closed', SAYING[must]);
    const spool = await spools.findByPk(job.spoolId);
    const reel = spool && (await reels.findByPk(spool.reelId));
    if (!reel) throw new Error(`Job ${String(jobId)} has no reel.`);
    return work(u, { job, reel, tag: reel.tag });
  });
}

/** What it was to be cut from stays written down and promises nothing: it may be booked again. */
const callOff = ({ tables }: Unit, job: JobRow): Promise<unknown> =>
  tables.jobs.change(job, { state: 'cancelled' });
