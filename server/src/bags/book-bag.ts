import type { Bag, NewBagSchema, Person } from '@yard-spool/contract';
import type { FillPlan } from '@yard-spool/core';
import { UniqueConstraintError, type Transaction } from 'sequelize';
import type { InferOutput } from 'valibot';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { readLearning } from '../learning/learning';
import { withBeliefs } from '../learning/with-beliefs';
import { readBag } from './bags';
import { promiseCuts } from './cuts';
import { customerFor } from './customers';
import { noteChange } from './history';
import { planOf } from './plan-of';
import { spoolFor } from './reel-for';
import { meetKind } from './reel-kinds';

export type NewBag = InferOutput<typeof NewBagSchema>;

/**
 * Books a bag in: customer, reels, a plan for each, and the line promised to them, in one transaction. The plan is
 * made again here with the same core, from what was asked and what the shop has learned by now. A booking sent twice (same key) makes one bag.
 */
export async function bookBag(house: House, person: Person, asked: NewBag): Promise<Bag> {
  const learning = await readLearning(house);
  const jobs = asked.jobs.map((job) => ({ ...job, planInput: withBeliefs(job.planInput, job, learning) }));
  const plans = jobs.map(({ planInput }, i) => planOf(planInput, `jobs.${String(i)}`));
  try {
    const number = await inTransaction(house.sequelize, (transaction) =>
      write(house, person, { ...asked, jobs }, plans, transaction),
    );
    return await readBag(house, number);
  } catch (error) {
    const there = await house.tables.bags.findOne({ where: { bookingKey: asked.key } });
    if (there && error instanceof UniqueConstraintError) return readBag(house, there.id);
    throw error;
  }
}

async function write(
  house: House,
  person: Person,
  asked: NewBag,
  plans: FillPlan[],
  transaction: Transaction,
): Promise<number> {
  const customer = await customerFor(house, asked.customer, transaction);
  const bag = await house.tables.bags.create(
    {
      bookingKey: asked.key,
      customerId: customer.id,
      promisedAt: new Date(asked.promisedAt),
      notes: asked.notes,
      bookedAt: house.clock(),
      bookedById: person.id,
    },
    { transaction },
  );
  const spools: number[] = [];
  for (const [i, job] of asked.jobs.entries()) {
    const plan = plans[i];
    if (!plan) throw new Error('Every job has a plan.');
    const spoolId = await spoolFor(house, customer.id, job, spools, transaction);
    spools.push(spoolId);
    const row = await house.tables.jobs.create(
      { bagId: bag.id, spoolId, position: i + 1, planInput: job.planInput, plan, wants: job.wants },
      { transaction },
    );
    await promiseCuts(house, row.id, job, plan, transaction);
    await meetKind(house, job, transaction);
  }
  await noteChange(house, person, bag.id, 'Booked in', transaction);
  return bag.id;
}
