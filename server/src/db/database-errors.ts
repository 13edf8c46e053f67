import {
  ConnectionError,
  ConnectionAcquireTimeoutError,
  DatabaseError,
  UniqueConstraintError,
} from 'sequelize';
import { ProblemError } from '../problem-error';

/** MariaDB's numbers for a deadlock and for a lock waited for too long. */
const DEADLOCKS = new Set([1213, 1205]);

const errnoOf = (error: unknown): number | undefined =>
  error instanceof DatabaseError ? (error.original as { errno?: number }).errno : undefined;

/** Whether trying the same transaction again may well work. */
export const isDeadlock = (error: unknown): boolean => DEADLOCKS.has(errnoOf(error) ?? 0);

/** The problem a database error comes to, or null where it is not one. */
export function problemOfDatabaseError(error: unknown): ProblemError | null {
  if (error instanceof UniqueConstraintError) {
    const [field] = Object.keys(error.fields);
    return new ProblemError('already-exists', `There is one with this ${field ?? 'code'} already.`);
  }
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError) {
    return new ProblemError(
      'database-away',
      'The database does not answer. What you typed is still here: try again in a moment.',
    );
  }
  return null;
}
