import type { Customer } from '@yard-spool/contract';
import type { Reading, Unit } from '../context/context';
import { literally } from '../db/like';
import { ProblemError } from '../problem-error';
import { beginsWith } from '../db/begins-with';

/** Customers whose name has a word that starts with what was typed; all of them, up to twenty, where nothing was. */
export async function findCustomers(from: Reading, typed: string): Promise<Customer[]> {
  const start = `${literally(typed)}%`;
  const { sql, words } = beginsWith('customer', 'customers.id', typed);
  return from.query<Customer>(
    `SELECT id, name, contact FROM customers
     WHERE ${sql} AND (name LIKE :start OR name LIKE :word) ORDER BY name LIMIT 20`,
    { start, word: `% ${start}`, ...words },
  );
}

/** The customer named by id, or a new one from name and contact. */
export async function customerFor(
  u: Unit,
  asked: { id: number } | { name: string; contact: string },
): Promise<Customer> {
  if (!('id' in asked)) {
    const customer = await u.tables.customers.create(asked);
    await u.happened.renamed('customer', [customer.id]);
    return toCustomer(customer);
  }
  const row = await u.tables.customers.findByPk(asked.id);
  if (!row) throw new ProblemError('not-found', 'This customer is not on the books any more. Choose again.');
  return toCustomer(row);
}

export const toCustomer = ({ id, name, contact }: Customer): Customer => ({ id, name, contact });
