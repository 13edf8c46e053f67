import type { FillPlan } from '@yard-spool/core';
import type { Unit } from '../unit';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../house-rules/read-house-rules';
import { lockPiece } from '../rack/move';
import { onePiece } from '../rack/rack';

interface AskedCuts {
  readonly cuts: readonly { readonly layer: string; readonly pieceId: number }[];
}

/** Locks what several jobs are to be cut from, in one order, so that two bookings at once cannot wait for each other. */
export async function lockPieces({ tables }: Unit, jobs: readonly AskedCuts[]): Promise<void> {
  const id = [...new Set(jobs.flatMap(({ cuts }) => cuts.map(({ pieceId }) => pieceId)))];
  if (id.length > 0) await tables.pieces.lockAll({ where: { id }, order: ['id'] });
}

/** Promises a job's layers to pieces, after checking that line and length are there. Locks the pieces. */
export async function promiseCuts(
  u: Unit,
  jobId: number,
  { cuts }: AskedCuts,
  plan: FillPlan,
): Promise<void> {
  const { tailMm } = await readHouseRules(u);
  for (const { layer, pieceId } of cuts) {
    const planned = plan.layers.find(({ id }) => id === layer);
    if (planned?.request.kind !== 'line')
      throw new ProblemError('bad-request', `The plan has no layer of line called ${layer}.`);
    await lockPiece(u, { id: pieceId });
    const piece = await onePiece(u, { id: pieceId });
    const { line } = planned.request;
    if (
      piece.product.code !== line.key ||
      piece.product.diameter !== line.diameter ||
      piece.product.material !== line.material
    ) {
      throw new ProblemError(
        'bad-request',
        `Piece ${piece.code} is ${piece.product.name}, which is not the line the plan is for.`,
      );
    }
    if (piece.kind === 'salvage' && planned.request.role !== 'backing') {
      throw new ProblemError(
        'bad-request',
        `Piece ${piece.code} is stripped line: it is good for backing only.`,
        [{ path: layer, message: 'Stripped line is good for backing only.' }],
      );
    }
    const lengthMm = Math.round(planned.length.value * 1000);
    const free = piece.lengthMm - piece.promisedMm;
    if (lengthMm + tailMm > free) {
      const sentence = `Piece ${piece.code} has ${Math.max(0, free / 1000).toFixed(0)} m free and this takes ${((lengthMm + tailMm) / 1000).toFixed(0)} m with its tail.`;
      throw new ProblemError('not-enough-line', sentence, [{ path: layer, message: sentence }]);
    }
    await u.tables.cuts.create({ jobId, layer, pieceId, lengthMm });
  }
}
