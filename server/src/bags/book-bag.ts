import type { Bag, NewBagSchema, Person } from '@yard-spool/contract';
import type { FillPlan } from '@yard-spool/core';
import { createHash } from 'node:crypto';
import { UniqueConstraintError } from 'sequelize';
import { gearSaid } from './reel-gear';
import { ProblemError } from '../problem-error';
import type { InferOutput } from 'valibot';
import type { ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { readLearning } from '../learning/learning';
import { withBeliefs } from '../learning/with-beliefs';
import { readBag } from './bags';
import { bringLines } from './brought-line';
import { lockPieces, promiseCuts } from './cuts';
import { customerFor } from '../customers/customers';
import { noteChange } from '../history/bag-history';
import { plansOf } from '../planning/plan-of';
import { spoolFor } from './reel-for';
import { rememberKind } from './reel-kinds';
import { spoolMeant, withRecord } from './with-record';

export type NewBag = InferOutput<typeof NewBagSchema>;

/**
 * Books a bag in: customer, reels, a plan for each, and the line promised to them, in one transaction. The plan is
 * made again here with the same core, from what was asked and what the shop has learned by now. A booking sent twice (same
 * key) makes one bag; another booking under a key that was used is refused.
 */
export async function bookBag(context: ServerContext, person: Person, asked: NewBag): Promise<Bag> {
  const booked = await context.tables.bags.findOne({ where: { bookingKey: asked.key } });
  if (booked) return sameBooking(context, booked, asked);
  const learning = await readLearning(context);
  const jobs = await Promise.all(
    asked.jobs.map(async (job, i) => {
      const meant = await spoolMeant(context, asked.jobs, i);
      const planInput = await withRecord(context, job, meant);
      return { ...job, planInput: withBeliefs(planInput, beliefsAbout(job), learning) };
    }),
  );
  const plans = await plansOf(jobs.map(({ planInput }, i) => ({ planInput, path: `jobs.${String(i)}` })));
  try {
    const number = await unit(context, person, (u) => write(u, { ...asked, jobs }, { plans, sent: asked }));
    return await readBag(context, number);
  } catch (error) {
    const there = await context.tables.bags.findOne({ where: { bookingKey: asked.key } });
    if (there && error instanceof UniqueConstraintError) return sameBooking(context, there, asked);
    throw error;
  }
}

/** A reel without a tag has nothing of its own that could be believed. */
const beliefsAbout = ({ type, label, tag }: NewBag['jobs'][number]) => ({
  type,
  label,
  ...(tag === undefined ? {} : { tag }),
});

/** What a booking says, in few signs. */
const hashOf = (asked: NewBag): string => createHash('sha256').update(JSON.stringify(asked)).digest('hex');

async function sameBooking(
  context: ServerContext,
  { id, bookingHash }: { readonly id: number; readonly bookingHash: string | null },
  asked: NewBag,
): Promise<Bag> {
  if (bookingHash !== null && bookingHash !== hashOf(asked))
    throw new ProblemError(
      'already-exists',
      `This was booked as bag ${String(id)} already, and is another booking now. Open that bag to change it, or begin a new one.`,
    );
  return readBag(context, id);
}

interface ToWrite {
  readonly plans: readonly FillPlan[];
  /** The booking as it was sent. */
  readonly sent: NewBag;
}

async function write(u: Unit, asked: NewBag, { plans, sent }: ToWrite): Promise<number> {
  const customer = await customerFor(u, asked.customer);
  await lockPieces(u, asked.jobs);
  const bag = await u.tables.bags.create({
    bookingKey: asked.key,
    bookingHash: hashOf(sent),
    customerId: customer.id,
    promisedAt: new Date(asked.promisedAt),
    notes: asked.notes,
    bookedAt: u.clock(),
    bookedById: u.actor.id,
  });
  await u.happened.renamed('bag', [bag.id]);
  const brought = await bringLines(u, bag.id, asked.brought);
  const spools: number[] = [];
  for (const [i, job] of asked.jobs.entries()) {
    const plan = plans[i];
    if (!plan) throw new Error('Every job has a plan.');
    const spoolId = await spoolFor(u, customer.id, job, spools);
    spools.push(spoolId);
    const row = await u.tables.jobs.create({
      bagId: bag.id,
      spoolId,
      position: i + 1,
      planInput: job.planInput,
      plan,
      wants: job.wants,
    });
    await promiseCuts(u, row.id, job, plan, { bagId: bag.id, brought });
    await gearSaid(u, spoolId, job.planInput);
    await rememberKind(u, job);
  }
  await noteChange(u, bag.id, 'Booked in');
  return bag.id;
}
