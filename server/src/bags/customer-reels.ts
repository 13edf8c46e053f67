import type { CustomerReel } from '@yard-spool/contract';
import type { House } from '../house';
import { cutsOf } from './bags';

/** The reels a customer has had here, the latest first, each with how it was filled or planned last. */
export async function listCustomerReels(house: House, customerId: number): Promise<CustomerReel[]> {
  const { tables } = house;
  const reels = await tables.reels.findAll({ where: { customerId }, order: [['id', 'DESC']] });
  return Promise.all(
    reels.map(async ({ id, tag, type, label }): Promise<CustomerReel> => {
      const spools = await tables.spools.findAll({ where: { reelId: id } });
      const job = await tables.jobs.findOne({
        where: { spoolId: spools.map((spool) => spool.id) },
        order: [['id', 'DESC']],
      });
      const bag = job && (await tables.bags.findByPk(job.bagId));
      if (!bag) return { tag, type, label, last: null };
      const { planInput, wants, spoolId } = job;
      return {
        ...{ tag, type, label },
        last: {
          at: bag.bookedAt.toISOString(),
          spool: spools.find((spool) => spool.id === spoolId)?.name ?? 'own',
          planInput,
          cuts: await cutsOf(house, job.id),
          wants,
        },
      };
    }),
  );
}
