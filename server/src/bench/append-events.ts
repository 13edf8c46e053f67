import type { Person, Run } from '@yard-spool/contract';
import type { RunHappening } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { readRun } from './runs';

type SentEvent = Run['events'][number];

/** Kinds only the server writes: they come with other changes in one transaction. */
const SERVER_ONLY = new Set<SentEvent['kind']>(['started', 'closed', 'reopened']);

/**
 * Appends to a run's log. An event that is there already (same id) is passed over, so sending again is harmless; a
 * gap or a place that is taken is refused and nothing of the batch is written.
 */
export async function appendEvents(
  house: House,
  person: Person,
  runId: number,
  sent: readonly SentEvent[],
): Promise<Run> {
  await inTransaction(house.sequelize, async (transaction) => {
    const run = await house.tables.runs.findByPk(runId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    const fresh = await notYetThere(house, runId, sent, transaction);
    if (fresh.length === 0) return;
    if (run.state === 'closed')
      throw new ProblemError('already-closed', 'This run is closed. Nothing was added to it.');
    checkPlaces(fresh, await lastPlace(house, runId, transaction));
    await house.tables.runEvents.bulkCreate(
      fresh.map(({ id, seq, kind, at, payload }) => ({
        ...{ id, runId, seq, kind, payload },
        at: new Date(at),
        byId: person.id,
      })),
      { transaction },
    );
    const moved = fresh.findLast(({ kind }) => kind === 'taken-up');
    if (moved?.kind === 'taken-up') await run.update({ bench: moved.payload.bench }, { transaction });
  });
  house.bell.emit(`run:${String(runId)}`);
  return readRun(house, runId);
}

/** Appends one event at the end of an open run's log, wherever that is by now. False where the run is closed. */
export async function appendNext(
  house: House,
  personId: number,
  runId: number,
  { kind, payload }: RunHappening,
): Promise<boolean> {
  const added = await inTransaction(house.sequelize, async (transaction) => {
    const run = await house.tables.runs.findByPk(runId, { transaction, lock: transaction.LOCK.UPDATE });
    if (run?.state !== 'open') return false;
    const seq = (await lastPlace(house, runId, transaction)) + 1;
    const event = { id: crypto.randomUUID(), runId, seq, kind, payload };
    await house.tables.runEvents.create({ ...event, at: house.clock(), byId: personId }, { transaction });
    return true;
  });
  if (added) house.bell.emit(`run:${String(runId)}`);
  return added;
}

const lastPlace = async ({ tables }: House, runId: number, transaction: Transaction): Promise<number> =>
  Number((await tables.runEvents.max('seq', { where: { runId }, transaction })) ?? 0);

async function notYetThere(
  { tables }: House,
  runId: number,
  sent: readonly SentEvent[],
  transaction: Transaction,
): Promise<SentEvent[]> {
  const there = await tables.runEvents.findAll({ where: { id: sent.map(({ id }) => id) }, transaction });
  if (there.some((row) => row.runId !== runId))
    throw new ProblemError('bad-request', 'An event belongs to another run.');
  const known = new Set(there.map(({ id }) => id));
  return sent.filter(({ id }) => !known.has(id));
}

function checkPlaces(fresh: readonly SentEvent[], last: number): void {
  fresh.forEach(({ seq, kind }, i) => {
    if (SERVER_ONLY.has(kind))
      throw new ProblemError('bad-request', `A bench cannot write "${kind}" into the log.`);
    if (seq !== last + 1 + i) {
      throw new ProblemError(
        'out-of-order',
        'This run went on at another bench. Read it again and go on from there.',
      );
    }
  });
}
