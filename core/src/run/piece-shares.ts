import { woundSoFar, type WoundLayer } from '../plan/wound';
import { withByEye, type Seen } from './by-eye';
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
 * piece was never changed is one stretch; a piece that nothing came off is none.
 *
 * @param layer as it was wound in all
 */
export function pieceStretches(
  under: Seen,
  state: Pick<RunState, 'pieces' | 'usedUp' | 'depths' | 'wound' | 'byEye'>,
  layer: WoundLayer,
): PieceStretch[] {
  const { spool, request } = under;
  const changes = state.pieces.filter((one) => one.layer === layer.id);
  const whole = layer.length;
  const stretches: PieceStretch[] = [];
  const lying = (seen: Parameters<typeof withByEye>[1]): WoundLayer | undefined =>
    woundSoFar(spool, request, withByEye(under, seen)).find(({ id }) => id === layer.id);
  // What was counted on top of a layer seen by eye is surer than what was seen: that takes what they differ by.
  const bySight = state.byEye.has(layer.id) ? whole - (lying(state)?.length ?? whole) : 0;
  let from = { length: 0, radius: layer.innerRadius };
  let pieceId: number | null = null;
  for (const change of changes) {
    const then = lying({ ...state, ...change });
    const length = Math.min(whole, Math.max(from.length, (then?.length ?? 0) + bySight));
    const radius = Math.min(layer.outerRadius, Math.max(from.radius, then?.outerRadius ?? 0));
    stretches.push({
      pieceId,
      usedUp: change.usedUp,
      share: whole > 0 ? (length - from.length) / whole : 0,
      innerRadius: from.radius,
      outerRadius: radius,
    });
    from = { length, radius };
    pieceId = change.pieceId;
  }
  const share = whole > 0 ? (whole - from.length) / whole : 1;
  return withSome([
    ...stretches,
    {
      pieceId,
      usedUp: state.usedUp.has(layer.id),
      share,
      innerRadius: from.radius,
      outerRadius: layer.outerRadius,
    },
  ]);
}

/** A share of less than this is how counts are rounded. */
const SOME = 1e-6;

/** Without stretches of nothing; the last one stands for a layer of no length. */
const withSome = (stretches: readonly PieceStretch[]): PieceStretch[] =>
  stretches.filter(
    ({ share }, i) =>
      share > SOME || (i === stretches.length - 1 && stretches.every((one) => one.share <= SOME)),
  );
