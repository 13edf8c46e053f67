import type { Job } from '@yard-spool/contract';
import type { RunEvent, RunState } from '@yard-spool/core';
import type { Unit } from '../unit';
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
 * drawn off it when the reel is closed.
 */
export async function checkPieces(
  { tables }: Unit,
  jobId: number,
  events: readonly RunEvent[],
): Promise<void> {
  const changes = events.filter(({ kind }) => kind === 'piece-changed').length;
  if (changes > MOST_PIECES)
    throw new ProblemError('bad-request', 'Nobody changes the piece this often. Nothing was added.');
  for (const { kind, payload } of events) {
    if (kind !== 'piece-changed') continue;
    const [piece, cut] = await Promise.all([
      tables.pieces.findByPk(payload.pieceId),
      tables.cuts.findOne({ where: { jobId, layer: payload.layer } }),
    ]);
    if (!piece || piece.writtenOff || piece.broughtWith !== null)
      throw new ProblemError('not-found', `The piece ${payload.code} is not on the rack any more.`);
    if (cut?.productId !== piece.productId)
      throw new ProblemError(
        'bad-request',
        `Piece ${piece.code} is another line than this layer was planned with. Give the run up and plan the reel again.`,
      );
  }
}
