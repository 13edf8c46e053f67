import type { Person } from '@yard-spool/contract';
import type { RunEvent, RunHappening } from '@yard-spool/core';
import { Op } from 'sequelize';
import type { Reading } from '../context';
import type { Unit } from '../unit';

type Author = Pick<Person, 'id' | 'name'>;

/** Something to write into a log: with its own id, time and author where it happened elsewhere. */
export type ToLog = RunHappening & { readonly id?: string; readonly at?: Date; readonly author?: Author };

/** Rings whenever something was added to a run's log, with what was added. */
export const runBell = (runId: number): string => `run:${String(runId)}`;

/** The place of the last event in a run's log and whose it is; 0 before the first. */
export async function lastPlace(
  { tables }: Reading,
  runId: number,
): Promise<{ readonly seq: number; readonly byId: number | null }> {
  const last = await tables.runEvents.findOne({
    where: { runId },
    order: [['seq', 'DESC']],
    attributes: ['seq', 'byId'],
  });
  return { seq: last?.seq ?? 0, byId: last?.byId ?? null };
}

/**
 * Writes events at the end of a run's log, in their order. The only writer of events there is; the run's row is locked by
 * whoever calls it.
 *
 * @param after the log's last place, as read under the lock
 * @param by whose they are where they say nothing else
 * @returns what was added, as it is told
 */
export async function writeEvents(
  u: Unit,
  runId: number,
  after: number,
  happened: readonly ToLog[],
  by: Author = u.actor,
): Promise<RunEvent[]> {
  const rows = happened.map(
    ({ kind, payload, id = crypto.randomUUID(), at = u.clock(), author = by }, i) => ({
      ...{ id, runId, seq: after + 1 + i, kind, payload, at, byId: author.id },
      sentById: author.id === by.id ? null : by.id,
    }),
  );
  await u.tables.runEvents.createAll(rows);
  const added = rows.map((row, i) => toEvent(row, (happened[i]?.author ?? by).name));
  u.afterCommit(() => u.bell.emit(runBell(runId), added));
  return added;
}

/** The log of a run in order, as the core folds it; from a place on, where one is given. */
export async function readLog(from: Reading, runId: number, fromPlace = 1): Promise<RunEvent[]> {
  const rows = await from.tables.runEvents.findAll({
    where: { runId, seq: { [Op.gte]: fromPlace } },
    order: ['seq'],
  });
  const people = await from.tables.people.findAll({
    where: { id: [...new Set(rows.map(({ byId }) => byId))] },
    attributes: ['id', 'name'],
  });
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  return rows.map((row) => toEvent(row, nameOf.get(row.byId) ?? ''));
}

interface EventRow {
  readonly id: string;
  readonly runId: number;
  readonly seq: number;
  readonly kind: RunEvent['kind'];
  readonly at: Date;
  readonly payload: RunEvent['payload'];
}

const toEvent = ({ id, runId, seq, kind, at, payload }: EventRow, by: string): RunEvent =>
  ({ id, run: String(runId), seq, kind, at: at.toISOString(), by, payload }) as RunEvent;
