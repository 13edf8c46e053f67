import { Transaction, type Sequelize } from 'sequelize';
import { isDeadlock } from './database-errors';

const TRIES = 4;

/**
 * Runs work in a transaction: joins the one it is given, or starts one and tries again when the database breaks a
 * deadlock. The work may therefore run more than once and must do nothing but talk to the database.
 *
 * Each statement reads what is committed by then. A snapshot from the transaction's start would show a piece, once its
 * lock is had, as it was before the others drew from it, and promise the same metre twice.
 */
export async function inTransaction<T>(
  sequelize: Sequelize,
  work: (transaction: Transaction) => Promise<T>,
  joined?: Transaction,
): Promise<T> {
  if (joined) return work(joined);
  for (let left = TRIES; ; left -= 1) {
    try {
      return await sequelize.transaction(
        { isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED },
        work,
      );
    } catch (error) {
      if (left <= 1 || !isDeadlock(error)) throw error;
    }
  }
}
