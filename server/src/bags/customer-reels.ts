import type { Customer, CustomerReel } from '@yard-spool/contract';
import type { ReelTableRow, SpoolRow } from '../db/models/customers';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { learnedOfSpool } from '../record/learned';
import { lyingOn } from '../record/lying';
import { reelByTag } from '../record/reel-by-tag';
import { cutsOf } from './cuts-of';
import { toCustomer } from '../customers/customers';
import { withGear } from './reel-gear';

/** The reels a customer has had here, the latest first, each with how it was filled or planned last. */
export async function listCustomerReels(from: Reading, customerId: number): Promise<CustomerReel[]> {
  const reels = await from.tables.reels.findAll({ where: { customerId }, order: [['id', 'DESC']] });
  return Promise.all(reels.map((reel) => withLast(from, reel)));
}

/** A reel by its tag, with whose it is and how it was filled or planned last. */
export async function readLastPlan(
  from: Reading,
  tag: string,
): Promise<{ customer: Customer; reel: CustomerReel }> {
  const reel = await reelByTag(from, tag);
  const customer = reel && (await from.tables.customers.findByPk(reel.customerId));
  if (!customer) throw new ProblemError('not-found', `No reel has the tag ${tag} yet.`);
  return { customer: toCustomer(customer), reel: await withLast(from, reel) };
}

async function withLast(
  from: Reading,
  { id, tag, type, label, looks, gearFound }: ReelTableRow,
): Promise<CustomerReel> {
  const { tables } = from;
  const spools = await tables.spools.findAll({ where: { reelId: id } });
  const job = await tables.jobs.findOne({
    where: { spoolId: spools.map((spool) => spool.id) },
    order: [['id', 'DESC']],
  });
  const bag = job && (await tables.bags.findByPk(job.bagId));
  const on = await onSpools(from, spools);
  if (!bag) return { tag, type, label, looks, on, last: null };
  const { planInput, wants, spoolId } = job;
  // What its fills showed comes from them again: taken along with the plan it would be counted twice, and grow.
  const known = planInput.observations.filter(({ kind }) => kind !== 'depth' && kind !== 'stretch');
  return {
    tag,
    type,
    label,
    looks,
    on,
    last: {
      at: bag.bookedAt.toISOString(),
      spool: spools.find((spool) => spool.id === spoolId)?.name ?? 'own',
      planInput: withGear(
        { ...planInput, observations: [...known, ...(await learnedOfSpool(from, spoolId))] },
        gearFound,
      ),
      cuts: (await cutsOf(from, [job.id])).get(job.id) ?? [],
      wants,
    },
  };
}

async function onSpools(from: Reading, spools: readonly SpoolRow[]): Promise<CustomerReel['on']> {
  const told = await Promise.all(
    spools.map(async (spool): Promise<CustomerReel['on']> => {
      const layers = await lyingOn(from, spool);
      const fill = spool.fillId === null ? null : await from.tables.fills.findByPk(spool.fillId);
      if (!fill || layers.length === 0) return [];
      return [
        {
          spool: spool.name,
          lipRadius: fill.spool.lipRadius,
          layers: layers.map(({ line, lineName: name, tint, role, length, innerRadius, outerRadius }) => ({
            line,
            name,
            tint,
            role,
            length,
            innerRadius,
            outerRadius,
          })),
        },
      ];
    }),
  );
  return told.flat();
}
