import { setTimeout as pause } from 'node:timers/promises';
import type { Person } from '@yard-spool/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import type { ServerContext, Unit } from './context';
import { isDeadlock } from '../db/database-errors';
import { insideChange, isInsideChange } from '../db/inside-change';
import { boundTables, type TableName } from '../db/tables';
import { keepKey, keyToKeep } from './once';
import { ProblemError } from '../problem-error';

const TRIES = 6;
/** How long at most a change that was broken off waits before it is tried again, ms for each try before. */
const PAUSE_MS = 20;

/**
 * Makes a change: runs work in one transaction, tries again when the database breaks a deadlock, and then does what
 * waits for the change to be kept. The work may run more than once and must do nothing but talk to the database.
 *
 * Each statement reads what is committed by then, as every connection is told (see connect.ts). A snapshot from the transaction's start would show a piece, once its
 * lock is had, as it was before the others drew from it, and promise the same metre twice.
 *
 * The first change of a request that comes with a key keeps that key, so that the same request makes nothing again.
 *
 * @param actor who makes it; null where nobody is signed in yet
 */
export async function unit<T>(
  context: ServerContext,
  actor: Person | null,
  work: (u: Unit) => Promise<T>,
): Promise<T> {
  if (isInsideChange()) throw new Error('A change is made inside another: give it the unit that is there.');
  const once = keyToKeep();
  for (let left = TRIES; ; left -= 1) {
    const after: (() => void)[] = [];
    const written = new Set<TableName>();
    const reached = { commit: false };
    try {
      const done = await context.sequelize.transaction(async (transaction) => {
        const made = await insideChange(transaction, async () => {
          const u = makeUnit(context, actor, transaction, { after, written });
          if (once) await keepKey(u.tables, once, context.clock);
          return work(u);
        });
        reached.commit = true;
        return made;
      });
      if (once) once.kept = true;
      context.held.changed(written);
      for (const one of after) one();
      return done;
    } catch (error) {
      // Broken off while it was being kept: it may be there, and what follows a kept change was not told.
      if (reached.commit) context.held.forget();
      if (left <= 1 || !isDeadlock(error)) throw error;
      await pause(Math.random() * PAUSE_MS * (TRIES - left + 1));
    }
  }
}

function makeUnit(
  { models, clock, notifier, held, listeners, tellUnread, sequelize }: ServerContext,
  actor: Person | null,
  transaction: Transaction,
  { after, written }: { readonly after: (() => void)[]; readonly written: Set<TableName> },
): Unit {
  const u: Unit = {
    tables: boundTables(models, transaction, (table) => written.add(table)),
    clock,
    notifier,
    held,
    tellUnread,
    query: (sql, values = {}) =>
      sequelize.query(sql, { type: QueryTypes.SELECT, replacements: { ...values }, transaction }),
    get actor() {
      if (actor === null) throw new Error('Nobody makes this change.');
      return actor;
    },
    async lockVersioned(table, which, version, { gone, changed }) {
      const row = await (typeof which === 'number' ? table.lock(which) : table.lockOne({ where: which }));
      if (!row) throw new ProblemError('not-found', gone);
      if (row.version !== version) throw new ProblemError('stale-version', changed);
      return row;
    },
    afterCommit: (one) => void after.push(one),
    get happened() {
      return listeners(u);
    },
  };
  return u;
}
