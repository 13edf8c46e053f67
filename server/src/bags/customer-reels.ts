import type { Customer, CustomerReel } from '@yard-spool/contract';
import type { ReelTableRow } from '../db/models/customers';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { learnedOfSpool } from '../reels/learned';
import { cutsOf } from './bags';
import { toCustomer } from './customers';

/** The reels a customer has had here, the latest first, each with how it was filled or planned last. */
export async function listCustomerReels(house: House, customerId: number): Promise<CustomerReel[]> {
  const reels = await house.tables.reels.findAll({ where: { customerId }, order: [['id', 'DESC']] });
  return Promise.all(reels.map((reel) => withLast(house, reel)));
}

/** A reel by its tag, with whose it is and how it was filled or planned last. */
export async function readLastPlan(
  house: House,
  tag: string,
): Promise<{ customer: Customer; reel: CustomerReel }> {
  const reel = await house.tables.reels.findOne({ where: { tag } });
  const customer = reel && (await house.tables.customers.findByPk(reel.customerId));
  if (!customer) throw new ProblemError('not-found', `No reel has the tag ${tag} yet.`);
  return { customer: toCustomer(customer), reel: await withLast(house, reel) };
}

async function withLast(house: House, { id, tag, type, label }: ReelTableRow): Promise<CustomerReel> {
  const { tables } = house;
  const spools = await tables.spools.findAll({ where: { reelId: id } });
  const job = await tables.jobs.findOne({
    where: { spoolId: spools.map((spool) => spool.id) },
    order: [['id', 'DESC']],
  });
  const bag = job && (await tables.bags.findByPk(job.bagId));
  if (!bag) return { tag, type, label, last: null };
  const { planInput, wants, spoolId } = job;
  const known = planInput.observations.filter(({ kind }) => kind !== 'depth');
  return {
    ...{ tag, type, label },
    last: {
      at: bag.bookedAt.toISOString(),
      spool: spools.find((spool) => spool.id === spoolId)?.name ?? 'own',
      planInput: {
        ...planInput,
        observations: [...known, ...(await learnedOfSpool(house, spoolId))],
      },
      cuts: await cutsOf(house, job.id),
      wants,
    },
  };
}
