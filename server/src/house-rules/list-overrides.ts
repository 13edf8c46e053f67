import type { Override } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { RuleOverrideRow } from '../db/models/house-rules';
import type { House } from '../house';
import { peopleNames } from '../people/people';

/** Every rule that was set otherwise for a line, a customer or a reel. */
export async function listOverrides(house: House, transaction?: Transaction): Promise<Override[]> {
  const { tables } = house;
  const inIt = transaction ? { transaction } : {};
  const rows = await tables.ruleOverrides.findAll({ order: ['id'], ...inIt });
  if (rows.length === 0) return [];
  const idsOf = (key: 'productId' | 'customerId' | 'reelId'): number[] =>
    rows.flatMap((row) => row[key] ?? []);
  const [products, customers, reels, nameOf] = await Promise.all([
    tables.products.findAll({ where: { id: idsOf('productId') }, ...inIt }),
    tables.customers.findAll({ where: { id: idsOf('customerId') }, ...inIt }),
    tables.reels.findAll({ where: { id: idsOf('reelId') }, ...inIt }),
    peopleNames(house),
  ]);
  const target = ({ productId, customerId, reelId }: RuleOverrideRow): Pick<Override, 'key' | 'name'> => {
    const product = products.find(({ id }) => id === productId);
    const customer = customers.find(({ id }) => id === customerId);
    const reel = reels.find(({ id }) => id === reelId);
    if (product) return { key: product.code, name: product.name };
    if (customer) return { key: String(customer.id), name: customer.name };
    return { key: reel?.tag ?? '', name: reel ? `${reel.tag}, ${reel.label}` : '' };
  };
  return rows.map((row) => ({
    id: row.id,
    scope: row.scope,
    ...target(row),
    question: row.question,
    school: row.school,
    why: row.why,
    at: row.at.toISOString(),
    by: nameOf.get(row.byId) ?? '',
  }));
}
