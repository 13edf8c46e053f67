import { AsyncLocalStorage } from 'node:async_hooks';
import type { Sequelize, Transaction } from 'sequelize';

const inside = new AsyncLocalStorage<Transaction>();

/** Runs work that belongs to one transaction and may ask the database for nothing outside it. */
export const insideChange = <T>(transaction: Transaction, work: () => Promise<T>): Promise<T> =>
  inside.run(transaction, work);

/** Whether this is called from inside a change. */
export const isInsideChange = (): boolean => inside.getStore() !== undefined;

/**
 * Refuses whatever a change would ask on another connection: it would not see what the change wrote, would not be held
 * by its locks, and while every connection is held by a change that waits for one more, none would ever come free.
 */
export function guardChanges(sequelize: Sequelize): void {
  sequelize.addHook('beforeQuery', (options: { transaction?: Transaction | null }) => {
    const mine = inside.getStore();
    if (mine && options.transaction !== mine)
      throw new Error('A change may ask the database for nothing outside its own transaction.');
  });
}
