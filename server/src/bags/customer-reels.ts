import type { Customer, CustomerReel } from '@yard-spool/contract';
import { ownMeasures } from '@yard-spool/core';
import type { ReelTableRow, SpoolRow } from '../db/models/customers';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { learnedOfSpools } from '../record/learned';
import { stillOn } from '../record/lying';
import { byFill, layersOfFills } from '../record/on-spool';
import { reelByTag } from '../record/reel-by-tag';
import { cutsOf } from './cuts-of';
import { lastJobs } from './last-jobs';
import { toCustomer } from '../customers/customers';
import { withGear } from './reel-gear';
import { newestOf } from '../context/newest-of';

/** The reels a customer has had here, the latest first, each with how it was filled or planned last. */
export async function listCustomerReels(from: Reading, customerId: number): Promise<CustomerReel[]> {
  const reels = await from.tables.reels.findAll({ where: { customerId }, ...newestOf('customer_id') });
  return withLast(from, reels);
}

/** A reel by its tag, with whose it is and how it was filled or planned last. */
export async function readLastPlan(
  from: Reading,
  tag: string,
): Promise<{ customer: Customer; reel: CustomerReel }> {
  const reel = await reelByTag(from, tag);
  const customer = reel && (await from.tables.customers.findByPk(reel.customerId));
  const [told] = customer ? await withLast(from, [reel]) : [];
  if (!customer || !told) throw new ProblemError('not-found', `No reel has the tag ${tag} yet.`);
  return { customer: toCustomer(customer), reel: told };
}

/** How each of some reels was filled or planned last, with one question to each table however many there are. */
async function withLast(from: Reading, reels: readonly ReelTableRow[]): Promise<CustomerReel[]> {
  if (reels.length === 0) return [];
  const { tables } = from;
  const spools = await tables.spools.findAll({ where: { reelId: reels.map(({ id }) => id) }, order: ['id'] });
  const spoolIds = spools.map(({ id }) => id);
  const [jobs, on, learned] = await Promise.all([
    lastJobs(from, spoolIds),
    onSpools(from, spools),
    learnedOfSpools(from, spoolIds),
  ]);
  const [bags, cuts] = await Promise.all([
    tables.bags.findAll({ where: { id: jobs.map(({ bagId }) => bagId) } }),
    cutsOf(
      from,
      jobs.map(({ id }) => id),
    ),
  ]);
  return reels.map(({ id, tag, type, label, looks, gearFound }): CustomerReel => {
    const own = spools.filter(({ reelId }) => reelId === id);
    const lies = own.flatMap((spool) => on.get(spool.id) ?? []);
    const job = jobs.findLast(({ spoolId }) => own.some((spool) => spool.id === spoolId));
    const bag = job && bags.find((one) => one.id === job.bagId);
    if (!bag) return { tag, type, label, looks, on: lies, last: null };
    const { planInput, wants, spoolId } = job;
    // What its fills showed comes from them again: taken along with the plan it would be counted twice, and grow.
    const observations = [...ownMeasures(planInput.observations), ...(learned.get(spoolId) ?? [])];
    const last = {
      at: bag.bookedAt.toISOString(),
      spool: own.find((spool) => spool.id === spoolId)?.name ?? 'own',
      planInput: withGear({ ...planInput, observations }, gearFound),
      cuts: cuts.get(job.id) ?? [],
      wants,
    };
    return { tag, type, label, looks, on: lies, last };
  });
}

/** What lies on each spool that has something on it, by its number. */
async function onSpools(
  from: Reading,
  spools: readonly SpoolRow[],
): Promise<ReadonlyMap<number, CustomerReel['on'][number]>> {
  const fillIds = spools.flatMap(({ fillId }) => fillId ?? []);
  const [fills, layers] = await Promise.all([
    from.tables.fills.findAll({ where: { id: fillIds }, attributes: ['id', 'spool'] }),
    layersOfFills(from, fillIds),
  ]);
  const layersOf = byFill(layers);
  return new Map(
    spools.flatMap((spool): [number, CustomerReel['on'][number]][] => {
      const fill = fills.find(({ id }) => id === spool.fillId);
      const left = stillOn(layersOf.get(fill?.id ?? 0) ?? [], spool.offMm);
      if (!fill || left.length === 0) return [];
      const told = left.map(({ line, lineName: name, tint, role, length, innerRadius, outerRadius }) => ({
        line,
        name,
        tint,
        role,
        length,
        innerRadius,
        outerRadius,
      }));
      return [[spool.id, { spool: spool.name, lipRadius: fill.spool.lipRadius, layers: told }]];
    }),
  );
}
