import { REEL_OF_JOB } from '../db/joins';
import type { Habits } from '@yard-spool/contract';
import { inferSpool, priorsOf, supplySizes } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { listPieces } from '../rack/rack';
import { listShopLines } from '../rack/products';

/** The reel and the supply this shop uses most, and the nylons it keeps: what its rules are looked at with. */
export async function readHabits(from: Reading): Promise<Habits> {
  const [reel, supply, products] = await Promise.all([
    commonestReel(from),
    commonestSupply(from),
    listShopLines(from),
  ]);
  const nylons = products
    .filter(({ material }) => material === 'nylon')
    .map(({ name, diameter, tint }) => ({ name, diameter, tint }))
    .sort((a, b) => a.diameter - b.diameter);
  return { reel, supply, nylons: nylons.filter((one, i) => one.diameter !== nylons[i - 1]?.diameter) };
}

/** What is looked back at: a shop’s habits are those of its last months, and older jobs are many. */
const LATEST = 1000;

/** The fixed spool booked in most of late, as its latest plan has it. */
async function commonestReel({ query, tables }: Reading): Promise<Habits['reel']> {
  const [most] = await query<{ label: string; times: number | string; jobId: number }>(
    `SELECT reels.label, COUNT(*) AS times, MAX(jobs.id) AS jobId
     FROM (SELECT id, spool_id FROM jobs ORDER BY id DESC LIMIT ${String(LATEST)}) AS jobs
     ${REEL_OF_JOB}
     WHERE reels.type = 'fixed-spool' GROUP BY reels.label ORDER BY times DESC, jobId DESC LIMIT 1`,
  );
  if (!most) return null;
  const job = await tables.jobs.findByPk(most.jobId);
  const inferred = job && inferSpool(job.planInput.observations, priorsOf(job.planInput.beliefs));
  const main = job?.plan.layers.findLast(({ request }) => request.kind === 'line');
  if (!inferred?.ok || !main) return null;
  return {
    label: most.label,
    times: Number(most.times),
    diameters: [2 * main.innerRadius, 2 * main.outerRadius],
    arborMm: 2 * inferred.value.spool.arborRadius,
  };
}

/** The piece most mains were cut from of late. */
async function commonestSupply(from: Reading): Promise<Habits['supply']> {
  const [most] = await from.query<{
    pieceId: number;
    times: number | string;
    mm: number | string;
  }>(
    `SELECT piece_id AS pieceId, COUNT(*) AS times, AVG(cuts.length_mm) AS mm FROM
     (SELECT id, state FROM jobs ORDER BY id DESC LIMIT ${String(LATEST)}) AS jobs
     JOIN cuts ON cuts.job_id = jobs.id AND cuts.layer = 'main'
     JOIN pieces ON pieces.id = cuts.piece_id AND pieces.brought_with IS NULL
     WHERE jobs.state <> 'cancelled' GROUP BY piece_id ORDER BY times DESC, piece_id LIMIT 1`,
  );
  const [piece] = most ? await listPieces(from, { id: most.pieceId }) : [];
  if (!most || !piece) return null;
  const { diameters, measured } = supplySizes(piece, Number(most.mm) / 1000);
  return {
    code: piece.code,
    product: piece.product.name,
    times: Number(most.times),
    diameters: [...diameters],
    measured,
  };
}
