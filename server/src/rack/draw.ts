import type { Unit } from '../context/context';
import { addMoves, lockPiece } from './move';

/** A length drawn off a piece for a fill. */
export interface Draw {
  readonly pieceId: number;
  readonly lengthMm: number;
  /** End of the cut that is lost with it: knots, trimming, the tail taped down. */
  readonly tailMm: number;
  readonly runId: number;
  readonly why: string;
}

/**
 * Draws line off a piece: the length itself and the tail lost with the cut, each its own line in the ledger.
 *
 * What was counted on to a reel is a fact. Where the books had less, the difference is found line and gets a line of
 * its own, so that the sum still is the length and the books never go below zero.
 */
export async function drawLine(u: Unit, draw: Draw): Promise<void> {
  const piece = await lockPiece(u, { id: draw.pieceId });
  const found = Math.max(0, draw.lengthMm - piece.lengthMm);
  const tail = Math.min(draw.tailMm, piece.lengthMm + found - draw.lengthMm);
  await addMoves(
    u,
    piece,
    [
      { kind: 'found', lengthMm: found, why: `${draw.why}: more was counted than the books had` },
      { kind: 'filled', lengthMm: -draw.lengthMm, why: draw.why },
      { kind: 'tail', lengthMm: -tail, why: `cut for ${draw.why}` },
    ],
    draw.runId,
  );
  await u.tables.pieces.change(piece, { opened: true });
}
