import type { Unit } from '../context/context';
import type { Job } from '@yard-spool/contract';
import type { Line, PieceChanged, RunEvent, RunState } from '@yard-spool/core';
import type { PieceRow } from '../db/models/rack';
import { ProblemError } from '../problem-error';

/** Locks every piece a run was wound from, those taken in mid-run among them, in one order. */
export async function lockPiecesOf(
  { tables }: Unit,
  { cuts }: Pick<Job, 'cuts'>,
  { pieces }: Pick<RunState, 'pieces'>,
): Promise<void> {
  const id = [...cuts.flatMap(({ pieceId }) => pieceId ?? []), ...pieces.map(({ pieceId }) => pieceId)];
  if (id.length > 0) await tables.pieces.lockAll({ where: { id: [...new Set(id)] }, order: ['id'] });
}

/** Changes of piece in one sending; more is no work of hands. */
const MOST_PIECES = 20;

/**
 * Refuses another piece for a layer that is not there, is of another line, or is somebody's own: what is wound off it is
 * drawn off it when the reel is closed. Another line can only have been mounted all along: a layer is of one line.
 */
export async function checkPieces(
  { tables }: Unit,
  jobId: number,
  { pieces }: Pick<RunState, 'pieces'>,
  events: readonly RunEvent[],
): Promise<void> {
  const changes = events.flatMap((event) => (event.kind === 'piece-changed' ? [event.payload] : []));
  if (changes.length > MOST_PIECES)
    throw new ProblemError('bad-request', 'Nobody changes the piece this often. Nothing was added.');
  const stays = changes.length > 0 && (await tables.jobs.findByPk(jobId))?.wants.counterOnly === true;
  const mounted = new Map(pieces.map(({ layer, pieceId }) => [layer, pieceId]));
  for (const change of changes) {
    const before = await tables.pieces.findByPk(mounted.get(change.layer) ?? 0);
    await checkPiece(tables, change, { jobId, stays, before });
    mounted.set(change.layer, change.pieceId);
  }
}

interface Mounted {
  readonly jobId: number;
  /** Whether the reel's own line stays on: whatever is to hand comes on top of it. */
  readonly stays: boolean;
  /** The piece taken before this one; null where it is the one that was booked. */
  readonly before: PieceRow | null;
}

async function checkPiece(
  tables: Unit['tables'],
  { layer, pieceId, code, allAlong, line }: PieceChanged,
  { jobId, stays, before }: Mounted,
): Promise<void> {
  const piece = await tables.pieces.findByPk(pieceId);
  if (!piece || piece.writtenOff || piece.broughtWith !== null)
    throw new ProblemError('not-found', `The piece ${code} is not on the rack any more.`);
  if (stays && !allAlong) return;
  const cut = await tables.cuts.findOne({ where: { jobId, layer } });
  if (!cut) throw new ProblemError('bad-request', `No piece is cut for ${layer} in this fill.`);
  const asWound = line === undefined && piece.productId === (before?.productId ?? cut.productId);
  if (!asWound && !(allAlong && (await isOf(tables, piece, line))))
    throw new ProblemError(
      'bad-request',
      `Piece ${piece.code} is another line than this layer is wound with. Say that it was mounted all along, or strip the layer back and wind all of it.`,
    );
}

/** Whether a piece is of this very line. */
async function isOf(
  { products }: Unit['tables'],
  { productId }: Pick<PieceRow, 'productId'>,
  line: Line | undefined,
): Promise<boolean> {
  if (!line) return false;
  const { key, material, diameter } = line;
  const product = await products.findByPk(productId);
  return (
    product?.code === key &&
    product.material === material &&
    Math.abs(Number(product.diameter) - diameter) < 1e-6
  );
}
