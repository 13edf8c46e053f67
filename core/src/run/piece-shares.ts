import type { Estimate } from '../spool/estimate';
import { woundSoFar, type WoundLayer } from '../plan/wound';
import type { FillRequest } from '../plan/fill-request';
import type { RunState } from './run-state';

/** A stretch of a layer that came off one piece. */
export interface PieceStretch {
  /** The piece's number; null for the one the layer was booked on. */
  readonly pieceId: number | null;
  /** Whether the supply ran out at its end. */
  readonly usedUp: boolean;
  /** Share of the layer's length, and where it lies, mm. */
  readonly share: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
}

/**
 * What of a layer came off which piece, in the order it was wound: shares of its length that add up to one. A layer whose
 * piece was never changed is one stretch.
 *
 * @param layer as it was wound in all
 */
export function pieceStretches(
  spool: Estimate,
  request: FillRequest,
  state: Pick<RunState, 'pieces' | 'usedUp'>,
  layer: WoundLayer,
): PieceStretch[] {
  const changes = state.pieces.filter((one) => one.layer === layer.id);
  const whole = layer.length;
  const stretches: PieceStretch[] = [];
  let from = { length: 0, radius: layer.innerRadius };
  let pieceId: number | null = null;
  for (const change of changes) {
    const then = woundSoFar(spool, request, change.wound).find(({ id }) => id === layer.id);
    const length = Math.min(whole, Math.max(from.length, then?.length ?? 0));
    const radius = Math.min(layer.outerRadius, Math.max(from.radius, then?.outerRadius ?? 0));
    stretches.push({
      ...{ pieceId, usedUp: change.usedUp, share: whole > 0 ? (length - from.length) / whole : 0 },
      ...{ innerRadius: from.radius, outerRadius: radius },
    });
    from = { length, radius };
    pieceId = change.pieceId;
  }
  const share = whole > 0 ? (whole - from.length) / whole : 1;
  return [
    ...stretches,
    {
      ...{ pieceId, usedUp: state.usedUp.has(layer.id), share },
      ...{ innerRadius: from.radius, outerRadius: layer.outerRadius },
    },
  ];
}
