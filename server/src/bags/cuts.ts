import { JOB_OF_CUT } from '../db/joins';
import { TO_FILL, inSql } from '../db/job-states';
import type { Unit } from '../context/context';
import type { Cut, Piece } from '@yard-spool/contract';
import {
  allocate,
  demandsOf,
  type FillPlan,
  LEAST_JOINED_MM,
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
  const id = [...new Set(jobs.flatMap(({ cuts }) => cuts.flatMap(piecesOf)))];
  if (id.length > 0) await tables.pieces.lockAll({ where: { id }, order: ['id'] });
}

const piecesOf = (cut: Cut): number[] => {
  if (!('pieceId' in cut)) return [];
  return [cut.pieceId, ...(cut.joined ? [cut.joined.pieceId] : [])];
};

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
  readonly cut: {
    readonly layer: string;
    readonly takes?: Takes;
    readonly joined?: { readonly pieceId: number; readonly firstMm: number };
  };
  readonly planned: PlannedLayer;
  readonly tailMm: number;
  readonly pieceId: number;
}

async function promise(
  u: Unit,
  { jobId, cut, planned, tailMm, pieceId }: ToPromise,
  { bagId }: BesideRack,
): Promise<void> {
  const { layer, joined, takes = null } = cut;
  const piece = await pieceFor(u, pieceId, layer, planned, bagId);
  const second = joined && (await joinedTo(u, { pieceId: joined.pieceId, layer, planned, bagId }, piece));
  const demands = demandsOf(layer, planned.length, piece, {
    takes,
    joined: second ? { firstMm: joined.firstMm, piece: second } : null,
  });
  const { cuts, short } = allocate(demands, NOTHING_TAKEN, tailMm);
  if (short) {
    const asked = demands.find((one) => one.piece === short.piece)?.length ?? planned.length;
    const sentence = await notEnough(u, short.piece, asked.value);
    throw new ProblemError('not-enough-line', sentence, [{ path: layer, message: sentence }]);
  }
  if (second) mayBeJoined(cuts, layer);
  for (const [nth, { on, piece: of }] of cuts.entries())
    await u.tables.cuts.create({
      jobId,
      layer,
      nth,
      pieceId: of.id,
      productId: of.product.id,
      takes: second ? null : takes,
      lengthMm: on.lengthMm,
      tailMm: on.tailMm,
    });
}

/** A piece a layer may be cut from, locked. */
async function pieceFor(
  u: Unit,
  pieceId: number,
  layer: string,
  planned: PlannedLayer,
  bagId: number,
): Promise<Piece> {
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
  return piece;
}

interface Joining {
  readonly pieceId: number;
  readonly layer: string;
  readonly planned: PlannedLayer;
  readonly bagId: number;
}

/** The second piece of a layer that is joined from two. */
async function joinedTo(
  u: Unit,
  { pieceId, layer, planned, bagId }: Joining,
  { id, code }: Piece,
): Promise<Piece> {
  const wrong = (message: string): ProblemError =>
    new ProblemError('bad-request', message, [{ path: layer, message }]);
  if (planned.request.kind !== 'line' || planned.request.role !== 'backing')
    throw wrong('Only backing is joined from two pieces: a main is one unbroken length.');
  if (pieceId === id) throw wrong(`${code} cannot be joined to itself. Choose another piece for the rest.`);
  return pieceFor(u, pieceId, layer, planned, bagId);
}

/** Neither part is shorter than can be joined. */
function mayBeJoined(cuts: readonly { readonly on: { readonly lengthMm: number } }[], layer: string): void {
  if (cuts.every(({ on }) => on.lengthMm >= LEAST_JOINED_MM)) return;
  const sentence = message('cuts.join-too-short', { least: { m: LEAST_JOINED_MM / 1000 } });
  throw new ProblemError('bad-request', sentence, [{ path: layer, message: sentence }]);
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
