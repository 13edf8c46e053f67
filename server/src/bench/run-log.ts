import type { Person } from '@yard-spool/contract';
import type { RunEvent, RunHappening } from '@yard-spool/core';
import { Op } from 'sequelize';
import type { Reading, Unit } from '../context/context';

type Author = Pick<Person, 'id' | 'name'>;

/** Something to write into a log: with its own id, time and author where it happened elsewhere. */
export type ToLog = RunHappening & { readonly id?: string; readonly at?: Date; readonly author?: Author };

/** Sent whenever something was added to a run's log, with what was added. */
export const runTopic = (runId: number): string => `run:${String(runId)}`;

/** The place of the last event in a run's log; 0 before the first. */
export async function lastPlace({ tables }: Reading, runId: number): Promise<number> {
  const last = await tables.runEvents.findOne({
    where: { runId },
    order: [['seq', 'DESC']],
    attributes: ['seq'],
  });
  return last?.seq ?? 0;
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
      id,
      runId,
      seq: after + 1 + i,
      kind,
      payload,
      at,
      byId: author.id,
      sentById: author.id === by.id ? null : by.id,
    }),
  );
  await u.tables.runEvents.createAll(rows);
  const added = rows.map((row, i) => toEvent(row, (happened[i]?.author ?? by).name));
  u.afterCommit(() => u.notifier.emit(runTopic(runId), added));
  return added;
}

/** The log of a run in order, as the core folds it; from a place on, where one is given. */
export async function readLog(from: Reading, runId: number, fromPlace = 1): Promise<RunEvent[]> {
  return (await readAuthored(from, runId, fromPlace, null)).map(({ event }) => event);
}

/**
 * The log of a run from a place on, each event with whose it is.
 *
 * @param known an author whose name need not be asked for
 */
export async function readAuthored(
  { tables }: Reading,
  runId: number,
  fromPlace: number,
  known: Author | null,
): Promise<{ readonly event: RunEvent; readonly author: Author }[]> {
  const rows = await tables.runEvents.findAll({
    where: { runId, seq: { [Op.gte]: fromPlace } },
    order: ['seq'],
  });
  const nameOf = new Map(known ? [[known.id, known.name]] : []);
  const unknown = [...new Set(rows.map(({ byId }) => byId))].filter((id) => !nameOf.has(id));
  if (unknown.length > 0) {
    const people = await tables.people.findAll({ where: { id: unknown }, attributes: ['id', 'name'] });
    for (const { id, name } of people) nameOf.set(id, name);
  }
  return rows.map((row) => {
    const author = { id: row.byId, name: nameOf.get(row.byId) ?? '' };
    return { event: toEvent(row, author.name), author };
  });
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
