import { Op } from 'sequelize';
import type { Job, Person, Run } from '@yard-spool/contract';
import { supplySizes, type RunEvent } from '@yard-spool/core';
import { inTransaction } from '../db/transaction';
import type { RunRow } from '../db/models/runs';
import type { House } from '../house';
import { rulesForRun } from '../house-rules/effective';
import { ProblemError } from '../problem-error';
import { readJob } from '../bags/bags';
import { peopleNames } from '../people/people';
import { onePiece } from '../rack/rack';
import { piecesHeld } from './pieces-held';

/** Takes a booked reel to a bench. A reel already there gives the run it has. */
export async function startRun(house: House, person: Person, jobId: number, bench: string): Promise<Run> {
  const id = await inTransaction(house.sequelize, async (transaction) => {
    const { jobs, runs, runEvents } = house.tables;
    const job = await jobs.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!job) throw new ProblemError('not-found', 'This reel is not booked in any more.');
    const there = await runs.findOne({ where: { jobId }, transaction });
    if (there) return there.id;
    if (job.state !== 'booked')
      throw new ProblemError('already-closed', 'This reel was called off. Book it in again first.');
    const at = house.clock();
    const madeUnder = await rulesForRun(house, job, bench, transaction);
    const run = await runs.create({ jobId, bench, openedAt: at, madeUnder }, { transaction });
    await runEvents.create(
      {
        id: crypto.randomUUID(),
        runId: run.id,
        seq: 1,
        kind: 'started',
        at,
        byId: person.id,
        payload: { bench },
      },
      { transaction },
    );
    await job.update({ state: 'on-the-bench' }, { transaction });
    return run.id;
  });
  return readRun(house, id);
}

/** One run with its whole log. */
export async function readRun(house: House, id: number): Promise<Run> {
  const row = await house.tables.runs.findByPk(id);
  if (!row) throw new ProblemError('not-found', `There is no run ${String(id)}.`);
  return toRun(house, row);
}

/** Runs that are not closed, oldest first. */
export async function listOpenRuns(house: House): Promise<Run[]> {
  const rows = await house.tables.runs.findAll({ where: { state: 'open' }, order: ['id'] });
  return Promise.all(rows.map((row) => toRun(house, row)));
}

async function toRun(house: House, row: RunRow): Promise<Run> {
  const { tables } = house;
  const jobRow = await tables.jobs.findByPk(row.jobId);
  const bag = jobRow && (await tables.bags.findByPk(jobRow.bagId));
  const customer = bag && (await tables.customers.findByPk(bag.customerId));
  if (!customer) throw new Error(`Run ${String(row.id)} has no bag.`);
  const job = await readJob(house, row.jobId);
  const [reel, bench] = await Promise.all([
    tables.reels.findOne({ where: { tag: job.tag } }),
    tables.benches.findOne({ where: { name: row.bench } }),
  ]);
  return {
    id: row.id,
    bench: row.bench,
    state: row.state,
    bagNumber: bag.id,
    customer: customer.name,
    reelsInBag: await tables.jobs.count({ where: { bagId: bag.id } }),
    job,
    under: row.madeUnder,
    supplies: await suppliesOf(house, job),
    pieces: await piecesHeld(house, job.cuts),
    seatReversed: reel?.seatReversed ?? false,
    device: bench?.devices[0] ?? null,
    events: await readLog(house, row.id),
  };
}

/** The log of a run in order, as the core folds it; from behind a place on, where one is given. */
export async function readLog(house: House, runId: number, after = 0): Promise<RunEvent[]> {
  const rows = await house.tables.runEvents.findAll({
    where: { runId, seq: { [Op.gt]: after } },
    order: ['seq'],
  });
  const nameOf = await peopleNames(house);
  return rows.map(
    ({ id, seq, kind, at, byId, payload }) =>
      ({
        id,
        run: String(runId),
        seq,
        kind,
        at: at.toISOString(),
        by: nameOf.get(byId) ?? '',
        payload,
      }) as RunEvent,
  );
}

/** Where the line of each layer leaves its supply. */
async function suppliesOf(house: House, { cuts }: Job): Promise<Run['supplies']> {
  return Promise.all(
    cuts.map(async ({ layer, pieceId, lengthMm }) => {
      const piece = await onePiece(house, { id: pieceId });
      const { diameters, measured } = supplySizes(piece, lengthMm / 1000);
      return { layer, diameters: [...diameters] as [number, number], measured, leaves: piece.leaves };
    }),
  );
}
