import { HERE, inSql } from '../db/job-states';
import type { CustomerChange, CustomerPage, Person } from '@yard-spool/contract';
import { schoolOf } from '@yard-spool/core';
import type { CustomerRow } from '../db/models/customers';
import type { Reading, ServerContext } from '../context/context';
import { toCustomer } from '../customers/customers';
import { rulesFor } from '../house-rules/effective';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { customerLikes } from './customer-likes';
import { whatIsOn } from '../record/on-spool';
import { serviceSchools } from './read-due';
import { newestOf } from '../context/newest-of';

/** Reels shown on a customer’s page: a club has more, and finds them by searching. */
const MOST_REELS = 60;
const MOST_BAGS = 20;

/** A customer with their reels, what is on each and when it is due, what they like, their own line here and their bags. */
export async function readCustomer(from: Reading, id: number): Promise<CustomerPage> {
  const { tables } = from;
  const customer = await tables.customers.findByPk(id);
  if (!customer) throw new ProblemError('not-found', 'There is no such customer.');
  const [reels, likes, line, bags, { rules, from: set }] = await Promise.all([
    reelsOf(from, customer),
    customerLikes(from, id),
    ownLine(from, id),
    bagsOf(from, id),
    rulesFor(from, { customer: id }),
  ]);
  return {
    customer: toCustomer(customer),
    version: customer.version,
    reels: reels.slice(0, MOST_REELS),
    more: reels.length > MOST_REELS,
    likes: { ...likes, guides: set.guides ? schoolOf(rules, 'guides').name : null },
    line,
    bags,
  };
}

async function reelsOf(from: Reading, { id }: CustomerRow): Promise<CustomerPage['reels']> {
  const { tables } = from;
  const reels = await tables.reels.findAll({
    where: { customerId: id },
    ...newestOf('customer_id'),
    limit: MOST_REELS + 1,
  });
  const reelIds = reels.map((reel) => reel.id);
  if (reelIds.length === 0) return [];
  const [spools, comebacks] = await Promise.all([
    tables.spools.findAll({ where: { reelId: reelIds }, order: ['id'] }),
    from.query<{ readonly reelId: number; readonly times: number }>(
      `SELECT spools.reel_id AS reelId, COUNT(*) AS times FROM comebacks JOIN fills ON fills.id = comebacks.fill_id
         JOIN spools ON spools.id = fills.spool_id WHERE spools.reel_id IN (:reelIds) GROUP BY spools.reel_id`,
      { reelIds },
    ),
  ]);
  const on = await whatIsOn(from, spools, await serviceSchools(from, reels));
  return reels.map(({ id: reelId, tag, type, label }) => ({
    tag,
    type,
    label,
    spools: spools
      .filter((spool) => spool.reelId === reelId)
      .map((spool) => ({ name: spool.name, on: on.get(spool.id) ?? null })),
    comebacks: comebacks.find((one) => one.reelId === reelId)?.times ?? 0,
  }));
}

const ownLine = (from: Reading, id: number): Promise<CustomerPage['line']> =>
  from.query<CustomerPage['line'][number]>(
    // From the customer's few bags, not from all spools of the shop.
    `SELECT STRAIGHT_JOIN pieces.code, products.name, products.tint, pieces.length_mm AS lengthMm, bags.id AS bag
     FROM bags JOIN pieces ON pieces.brought_with = bags.id JOIN products ON products.id = pieces.product_id
     WHERE bags.customer_id = :id AND pieces.written_off = FALSE AND pieces.length_mm > 0 ORDER BY pieces.id DESC`,
    { id },
  );

async function bagsOf(from: Reading, id: number): Promise<CustomerPage['bags']> {
  const rows = await from.query<{
    readonly number: number;
    readonly promisedAt: Date;
    readonly open: number;
    readonly reels: number;
  }>(
    `SELECT bags.id AS number, bags.promised_at AS promisedAt, COUNT(jobs.id) AS reels,
       COALESCE(SUM(jobs.state IN (${inSql(HERE)})), 0) > 0 AS open
     FROM bags LEFT JOIN jobs ON jobs.bag_id = bags.id WHERE bags.customer_id = :id
     GROUP BY bags.id ORDER BY bags.id DESC LIMIT ${String(MOST_BAGS)}`,
    { id },
  );
  return rows.map(({ number, promisedAt, open, reels }) => ({
    number,
    promisedAt: promisedAt.toISOString(),
    open: open === 1,
    reels,
  }));
}

/** Another name or contact, on the customer as they were looked at. */
export async function changeCustomer(
  context: ServerContext,
  person: Person,
  id: number,
  { version, name, contact }: CustomerChange,
): Promise<CustomerPage> {
  await unit(context, person, async (u) => {
    const row = await u.lockVersioned(u.tables.customers, id, version, {
      gone: 'There is no such customer.',
      changed: 'Somebody changed this customer meanwhile. Look again.',
    });
    await u.tables.customers.change(row, { name, contact, version: version + 1 });
    const reels = await u.tables.reels.findAll({ where: { customerId: id }, attributes: ['id'] });
    await u.happened.renamed('customer', [id]);
    await u.happened.renamed(
      'reel',
      reels.map((reel) => reel.id),
    );
  });
  return readCustomer(context, id);
}
