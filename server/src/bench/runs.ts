import type { Job, Person, Run } from '@yard-spool/contract';
import { supplySizes } from '@yard-spool/core';
import type { RunRow } from '../db/models/runs';
import type { Reading, ServerContext } from '../context';
import { unit } from '../unit';
import { rulesForRun } from '../house-rules/effective';
import { ProblemError } from '../problem-error';
import { readJob } from '../bags/bags';
import { onePiece } from '../rack/rack';
import { piecesHeld } from './pieces-held';
import { readLog, writeEvents } from './run-log';
import { standsAt } from './standing';

/** Takes a booked reel to a bench. A reel already there gives the run it has. */
export async function startRun(
  context: ServerContext,
  person: Person,
  jobId: number,
  benchId: number,
): Promise<Run> {
  const id = await unit(context, person, async (u) => {
    const { jobs, runs, benches } = u.tables;
    const job = await jobs.lock(jobId);
    if (!job) throw new ProblemError('not-found', 'This reel is not booked in any more.');
    const there = await runs.findOne({ where: { jobId } });
    if (there) return there.id;
    if (job.state !== 'booked')
      throw new ProblemError('already-closed', 'This reel was called off. Book it in again first.');
    // Under its lock before a row refers to it: two starts at one bench would each wait for the other.
    const bench = await benches.lock(benchId);
    if (!bench || bench.removed)
      throw new ProblemError(
        'not-found',
        'This bench is not there any more. Choose where this machine stands.',
      );
    const madeUnder = await rulesForRun(u, job, bench);
    const run = await runs.create({ jobId, benchId, openedAt: u.clock(), madeUnder });
    await writeEvents(u, run.id, 0, [{ kind: 'started', payload: { bench: bench.name, benchId } }]);
    await jobs.change(job, { state: 'on-the-bench' });
    await standsAt(u, run.id, benchId);
    return run.id;
  });
  return readRun(context, id);
}

/** One run with its whole log. */
export async function readRun(from: Reading, id: number): Promise<Run> {
  const row = await from.tables.runs.findByPk(id);
  if (!row) throw new ProblemError('not-found', `There is no run ${String(id)}.`);
  return toRun(from, row);
}

/** Runs that are not closed, oldest first. */
export async function listOpenRuns(from: Reading): Promise<Run[]> {
  const rows = await from.tables.runs.findAll({ where: { state: 'open' }, order: ['id'] });
  return Promise.all(rows.map((row) => toRun(from, row)));
}

async function toRun(from: Reading, row: RunRow): Promise<Run> {
  const { tables } = from;
  const jobRow = await tables.jobs.findByPk(row.jobId);
  const bag = jobRow && (await tables.bags.findByPk(jobRow.bagId));
  const customer = bag && (await tables.customers.findByPk(bag.customerId));
  if (!customer) throw new Error(`Run ${String(row.id)} has no bag.`);
  const job = await readJob(from, row.jobId);
  const [reel, bench] = await Promise.all([
    tables.reels.findOne({ where: { tag: job.tag } }),
    tables.benches.findByPk(row.benchId),
  ]);
  return {
    id: row.id,
    bench: bench?.name ?? '',
    benchId: row.benchId,
    state: row.state,
    bagNumber: bag.id,
    customer: customer.name,
    reelsInBag: await tables.jobs.count({ where: { bagId: bag.id } }),
    job,
    under: row.madeUnder,
    supplies: await suppliesOf(from, job),
    pieces: await piecesHeld(from, job.cuts),
    seatReversed: reel?.seatReversed ?? false,
    device: bench?.devices[0] ?? null,
    events: await readLog(from, row.id),
  };
}

/** Where the line of each layer leaves its supply. */
async function suppliesOf(from: Reading, { cuts }: Job): Promise<Run['supplies']> {
  return Promise.all(
    cuts.map(async ({ layer, pieceId, lengthMm }) => {
      const piece = await onePiece(from, { id: pieceId });
      const { diameters, measured } = supplySizes(piece, lengthMm / 1000);
      return { layer, diameters: [...diameters] as [number, number], measured, leaves: piece.leaves };
    }),
  );
}
