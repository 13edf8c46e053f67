import {
  ConnectionError,
  ConnectionAcquireTimeoutError,
  DatabaseError,
  UniqueConstraintError,
} from 'sequelize';
import { ProblemError } from '../problem-error';

/** MariaDB's numbers for a deadlock and for a lock waited for too long. */
const DEADLOCKS = new Set([1213, 1205]);

/** MariaDB's numbers for no room left: a disk, a table, or a file of it is full. */
const NO_ROOM = new Set([1021, 1026, 1114, 3]);
/** MariaDB's numbers for what can only be read. */
const READ_ONLY = new Set([1036, 1290]);
/** MariaDB's numbers for an account that may not do what was asked: a database, a table, a column, a statement. */
const NO_RIGHT = new Set([1044, 1045, 1142, 1143, 1227, 1370]);
/** How the system says it inside another error: no space left on the device, no more room in a file, only to be read. */
const SAYS_NO_ROOM = /errno: (28|122|135)\b|error (28|122|135)\b/;
const SAYS_READ_ONLY = /errno: (30|36)\b|error (30|36)\b/;

/** What stands in the way of a database that answers and cannot write; null where nothing does. */
export function storageTrouble(error: unknown): string | null {
  const errno = errnoOf(error) ?? 0;
  const text = error instanceof Error ? error.message : '';
  if (NO_ROOM.has(errno) || SAYS_NO_ROOM.test(text))
    return 'The disk that holds the data is full. Nothing is lost: make room, and it goes on.';
  if (READ_ONLY.has(errno) || SAYS_READ_ONLY.test(text))
    return 'The data can only be read. Nothing is lost: make its disk writable, and it goes on.';
  if (NO_RIGHT.has(errno))
    return 'The database account may not do this. The one in YARD_SPOOL_DATABASE has to read and write, the one in YARD_SPOOL_SCHEMA_DATABASE to change tables as well.';
  return null;
}

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
  const trouble = storageTrouble(error);
  if (trouble !== null) return new ProblemError('database-away', trouble);
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError) {
    return new ProblemError(
      'database-away',
      'The database does not answer. What you typed is still here: try again in a moment.',
    );
  }
  return null;
}
