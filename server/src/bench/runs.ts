import { REEL_OF_JOB } from '../db/joins';
import type { Device, Job, OpenRun, Page, Person, Piece, Run } from '@yard-spool/contract';
import { pageOf } from '../db/page-of';
import { counterOf, message, supplySizes } from '@yard-spool/core';
import type { RunRow } from '../db/models/runs';
import type { Reading, ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { rulesForRun } from '../house-rules/effective';
import { NO_SKETCH, sketchesOfJobs } from '../bags/drawings-of-jobs';
import { ProblemError } from '../problem-error';
import { readJob } from '../bags/bags';
import { cutsOf } from '../bags/cuts-of';
import { listPieces } from '../rack/rack';
import { parsed } from '../db/parsed';
import { piecesHeld } from './pieces-held';
import { lastTime } from './last-time';
import { readLog, writeEvents } from './run-log';
import { sisterFilled } from './sister-filled';
import { ASIDE, standsAt } from './at-bench';

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
    const there = await runs.findOne({ where: { jobId, state: ['open', 'closed'] } });
    if (there) return there.id;
    if (job.state !== 'booked')
      throw new ProblemError('already-closed', 'This reel was cancelled. Book it in again first.');
    await refuseIfLineToCome(u, jobId);
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

/** A reel whose line has yet to come waits off the bench. */
async function refuseIfLineToCome(u: Unit, jobId: number): Promise<void> {
  const waits = (await cutsOf(u, [jobId])).get(jobId)?.find(({ pieceId }) => pieceId === null);
  if (!waits) return;
  const sentence = message('job.waits-for', {
    waits: { m: waits.lengthMm / 1000 },
    line: waits.productName,
  });
  throw new ProblemError('not-enough-line', sentence);
}

/** One run with its whole log. */
export async function readRun(from: Reading, id: number): Promise<Run> {
  const row = await from.tables.runs.findByPk(id);
  if (!row) throw new ProblemError('not-found', `There is no run ${String(id)}.`);
  return toRun(from, row);
}

const PAGE = 100;

interface OpenRunRow extends Omit<OpenRun, 'aside' | 'promisedAt' | 'drawing'> {
  readonly aside: number | boolean;
  readonly promisedAt: Date;
  readonly jobId: number;
}

/** Runs that are not closed, oldest first, with what a list shows of them. */
export async function listOpenRuns(from: Reading, after: string): Promise<Page<OpenRun>> {
  const rows = await from.query<OpenRunRow>(
    `SELECT runs.id, benches.name AS bench, bags.id AS bagNumber, customers.name AS customer, jobs.position,
       (SELECT COUNT(*) FROM jobs AS others WHERE others.bag_id = bags.id) AS reelsInBag, reels.tag, reels.label,
       bags.promised_at AS promisedAt, jobs.id AS jobId, ${ASIDE} AS aside
     FROM runs JOIN benches ON benches.id = runs.bench_id JOIN jobs ON jobs.id = runs.job_id
       JOIN bags ON bags.id = jobs.bag_id JOIN customers ON customers.id = bags.customer_id
       ${REEL_OF_JOB}
     WHERE runs.state = 'open' AND runs.id > :after ORDER BY runs.id LIMIT ${String(PAGE + 1)}`,
    { after: Number(after) || 0 },
  );
  const sketches = await sketchesOfJobs(
    from,
    rows.map(({ jobId }) => jobId),
  );
  const open = rows.map(({ jobId, promisedAt, ...row }) => ({
    ...row,
    aside: Number(row.aside) === 1,
    promisedAt: promisedAt.toISOString(),
    drawing: (sketches.get(jobId) ?? NO_SKETCH).drawing,
  }));
  return pageOf(open, PAGE, ({ id }) => String(id));
}

interface Around {
  readonly bagNumber: number;
  readonly spoolId: number;
  readonly notes: string;
  readonly customer: string;
  readonly bench: string | null;
  readonly devices: Device[] | null;
  readonly seatReversed: number | null;
  readonly reelsInBag: number;
}

async function toRun(from: Reading, row: RunRow): Promise<Run> {
  const { id, jobId, benchId, state, madeUnder } = row;
  const [around] = await from.query<Around>(
    `SELECT bags.id AS bagNumber, jobs.spool_id AS spoolId, bags.notes, customers.name AS customer,
       benches.name AS bench, benches.devices, reels.seat_reversed AS seatReversed,
       (SELECT COUNT(*) FROM jobs AS others WHERE others.bag_id = bags.id) AS reelsInBag
     FROM jobs JOIN bags ON bags.id = jobs.bag_id JOIN customers ON customers.id = bags.customer_id
       ${REEL_OF_JOB} LEFT JOIN benches ON benches.id = :benchId WHERE jobs.id = :jobId`,
    { jobId, benchId },
  );
  if (!around) throw new Error(`Run ${String(id)} has no bag.`);
  const { bagNumber, spoolId, notes, customer, bench, devices, seatReversed, reelsInBag } = around;
  const job = await readJob(from, jobId);
  const pieces = await listPieces(from, { id: job.cuts.flatMap(({ pieceId }) => pieceId ?? []) });
  return {
    id,
    bench: bench ?? '',
    benchId,
    state,
    bagNumber,
    customer,
    reelsInBag,
    job,
    under: madeUnder,
    supplies: suppliesOf(pieces, job),
    pieces: piecesHeld(pieces, job.cuts),
    notes,
    sister: await sisterFilled(from, bagNumber, job),
    seatReversed: Boolean(seatReversed),
    lastTime: await lastTime(from, spoolId, id),
    device: counterOf(parsed(devices ?? [])),
    events: await readLog(from, id),
  };
}

/** Where the line of each layer leaves its supply. */
const suppliesOf = (pieces: readonly Piece[], { cuts }: Job): Run['supplies'] =>
  cuts.flatMap(({ layer, pieceId, lengthMm }) => {
    if (pieceId === null) return [];
    const piece = pieces.find(({ id }) => id === pieceId);
    if (!piece) throw new Error(`Piece ${String(pieceId)} is cut from and is not there.`);
    const { diameters, measured } = supplySizes(piece, lengthMm / 1000);
    const { strengthKg, maker } = piece.product;
    return [
      {
        layer,
        diameters: [...diameters],
        measured,
        leaves: piece.leaves,
        strengthKg,
        ...(maker ? { maker } : {}),
      },
    ];
  });
