import type { Exception } from '@yard-spool/contract';
import { type ExceptionFacts, MATERIALS, REEL_TYPES, sortName } from '@yard-spool/core';
import type { RuleExceptionRow } from '../db/models/house-rules';
import type { Reading } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { peopleNames } from '../people/people';

const EXCEPTIONS = heldAnswer(readExceptions, ['ruleExceptions', 'products', 'customers', 'reels', 'people']);

/** Every exception set for a sort of reel, a line, a customer or a reel. */
export const listExceptions = EXCEPTIONS.ask;

async function readExceptions(from: Reading): Promise<Exception[]> {
  const { tables } = from;
  const rows = await tables.ruleExceptions.findAll({ order: ['id'] });
  if (rows.length === 0) return [];
  const idsOf = (key: 'productId' | 'customerId' | 'reelId'): number[] =>
    rows.flatMap((row) => row[key] ?? []);
  const [products, customers, reels, nameOf] = await Promise.all([
    tables.products.findAll({ where: { id: idsOf('productId') } }),
    tables.customers.findAll({ where: { id: idsOf('customerId') } }),
    tables.reels.findAll({ where: { id: idsOf('reelId') } }),
    peopleNames(from),
  ]);
  const target = (row: RuleExceptionRow): Pick<Exception, 'key' | 'name'> => {
    const { sort, productId, customerId, reelId } = row;
    if (sort !== null) return { key: sort, name: sortName(sortOf(row.scope, sort)) };
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

/** The parts of a sort's key. */
function sortOf(scope: Exception['scope'], sort: string): Pick<ExceptionFacts, 'material' | 'type'> {
  const parts = sort.split(' ');
  const material = MATERIALS.find((one) => scope !== 'type' && one === parts[0]);
  const type = REEL_TYPES.find((one) => scope !== 'material' && one === parts.at(-1));
  return { material, type };
}
