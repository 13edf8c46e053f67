import { JOB_OF_CUT } from '../db/joins';
import { TO_FILL, inSql } from '../db/job-states';
import type { Unit } from '../context/context';
import type { Cut, Piece } from '@yard-spool/contract';
import {
  allocate,
  type FillPlan,
  message,
  NOTHING_TAKEN,
  type PlannedLayer,
  type Takes,
  type Words,
} from '@yard-spool/core';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../shop/read-house-rules';
import { lockPiece } from '../rack/move';
import { listProducts } from '../rack/products';
import { onePiece } from '../rack/rack';

interface AskedCuts {
  readonly cuts: readonly Cut[];
}

/** Locks what several jobs are to be cut from, in one order, so that two bookings at once cannot wait for each other. */
export async function lockPieces({ tables }: Unit, jobs: readonly AskedCuts[]): Promise<void> {
  const id = [
    ...new Set(jobs.flatMap(({ cuts }) => cuts.flatMap((cut) => ('pieceId' in cut ? [cut.pieceId] : [])))),
  ];
  if (id.length > 0) await tables.pieces.lockAll({ where: { id }, order: ['id'] });
}

/** What a booking may be cut from beside the rack: the bag, and what the customer brings with it, in its order. */
export interface BesideRack {
  readonly bagId: number;
  readonly brought: readonly number[];
}

/** Promises a job's layers to pieces, after checking that line and length are there. Locks the pieces. */
export async function promiseCuts(
  u: Unit,
  jobId: number,
  { cuts }: AskedCuts,
  plan: FillPlan,
  beside: BesideRack,
): Promise<void> {
  const { tailMm } = await readHouseRules(u);
  for (const cut of cuts) {
    const planned = plan.layers.find(({ id }) => id === cut.layer);
    if (planned?.request.kind !== 'line')
      throw new ProblemError('bad-request', `The plan has no layer of line called ${cut.layer}.`);
    if ('productId' in cut) await waitFor(u, jobId, cut, planned);
    else await promise(u, { jobId, cut, planned, tailMm, pieceId: pieceOf(cut, beside) }, beside);
  }
}

function pieceOf(cut: Exclude<Cut, { productId: number }>, { brought }: BesideRack): number {
  if ('pieceId' in cut) return cut.pieceId;
  const pieceId = brought[cut.brought];
  if (pieceId === undefined)
    throw new ProblemError('bad-request', 'The customer brings no such line with this bag.');
  return pieceId;
}

/** A layer whose line has yet to come: nothing is promised until a piece of it is chosen. */
async function waitFor(
  u: Unit,
  jobId: number,
  { layer, productId }: { readonly layer: string; readonly productId: number },
  planned: PlannedLayer,
): Promise<void> {
  const product = (await listProducts(u)).find(({ id }) => id === productId);
  if (!product) throw new ProblemError('not-found', 'This line is not on the list any more. Choose again.');
  refuseOtherLine(planned, product, product.name);
  const lengthMm = Math.round(planned.length.value * 1000);
  await u.tables.cuts.create({ jobId, layer, pieceId: null, productId, lengthMm, tailMm: 0, takes: null });
}

interface ToPromise {
  readonly jobId: number;
  readonly cut: { readonly layer: string; readonly takes?: Takes };
  readonly planned: PlannedLayer;
  readonly tailMm: number;
  readonly pieceId: number;
}

async function promise(
  u: Unit,
  { jobId, cut, planned, tailMm, pieceId }: ToPromise,
  { bagId }: BesideRack,
): Promise<void> {
  const { layer } = cut;
  const takes = cut.takes ?? null;
  await lockPiece(u, { id: pieceId });
  const piece = await onePiece(u, { id: pieceId });
  refuseOtherLine(planned, piece.product, `Piece ${piece.code} is ${piece.product.name}`);
  if (piece.broughtWith !== null && piece.broughtWith !== bagId)
    throw new ProblemError('bad-request', `${piece.code} is another customer’s own line.`);
  if (piece.kind === 'salvage' && planned.request.kind === 'line' && planned.request.role !== 'backing') {
    throw new ProblemError(
      'bad-request',
      `Piece ${piece.code} is stripped line: it is good for backing only.`,
      [{ path: layer, message: 'Stripped line is good for backing only.' }],
    );
  }
  const { cuts, short } = allocate([{ layer, piece, length: planned.length, takes }], NOTHING_TAKEN, tailMm);
  if (short) {
    const sentence = await notEnough(u, piece, planned.length.value);
    throw new ProblemError('not-enough-line', sentence, [{ path: layer, message: sentence }]);
  }
  for (const { on } of cuts)
    await u.tables.cuts.create({
      jobId,
      layer,
      pieceId,
      productId: piece.product.id,
      takes,
      lengthMm: on.lengthMm,
      tailMm: on.tailMm,
    });
}

/** Why a piece is too short, naming the tails of other cuts where they are what lacks. */
async function notEnough({ query }: Unit, { code, id, ...piece }: Piece, metres: number): Promise<Words> {
  const free = Math.max(0, (piece.lengthMm - piece.promisedMm) / 1000);
  const [row] = await query<{ mm: string | number | null }>(
    `SELECT SUM(cuts.tail_mm) AS mm FROM cuts ${JOB_OF_CUT}
     WHERE jobs.state IN (${inSql(TO_FILL)}) AND cuts.piece_id = :id`,
    { id },
  );
  const tails = Number(row?.mm ?? 0) / 1000;
  const short = metres - free;
  const sentence = message('piece.too-short', {
    code,
    free: { m: free },
    takes: { m: metres },
    short: { m: short },
  });
  return short <= tails
    ? message('piece.too-short-by-tails', { short: sentence, tails: { m: tails } })
    : sentence;
}

function refuseOtherLine(
  { request }: PlannedLayer,
  { code, diameter, material }: Piece['product'],
  what: string,
): void {
  if (request.kind !== 'line') return;
  const { line } = request;
  if (code === line.key && diameter === line.diameter && material === line.material) return;
  throw new ProblemError('bad-request', `${what}, which is not the line the plan is for.`);
}
