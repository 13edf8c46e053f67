import { NINETIETH } from '../numeric/normal';
import type { Ranged } from '../numeric/ranged';
import { booksOff, isSealed, type CutPiece, type Takes } from './cut-piece';

/** What a cut comes to on its piece, mm. */
export interface CutOnPiece {
  /** What is promised: never more than is free. */
  readonly lengthMm: number;
  readonly tailMm: number;
  /** Free afterwards. */
  readonly leftMm: number;
  /** What the plan takes more than is free; 0 where it is there. */
  readonly shortMm: number;
  /** Whether it is short by more than what is not known of the spool and of the piece. */
  readonly tooShort: boolean;
}

/**
 * What a length comes to on a piece. A cut that takes all there is has no tail to lose, nor has a part of a piece that is
 * shared out, nor a cut of nothing. What lacks less than is not known of spool and piece stops nothing.
 *
 * @param length planned, m, with its range
 * @param freeMm free on the piece for this cut
 * @param tailMm lost with a cut as the house has it
 */
export function cutOnPiece(
  piece: Pick<CutPiece, 'kind' | 'lengthMm' | 'receivedMm' | 'opened'>,
  length: Pick<Ranged, 'value' | 'high'>,
  {
    freeMm,
    tailMm,
    takes,
  }: { readonly freeMm: number; readonly tailMm: number; readonly takes?: Takes | null },
): CutOnPiece {
  const asked = Math.round(length.value * 1000);
  const free = Math.max(0, freeMm);
  const lengthMm = Math.min(asked, free);
  const tail = takes || asked === 0 ? 0 : Math.min(tailMm, free - lengthMm);
  const shortMm = asked - lengthMm;
  const doubt = Math.hypot(length.high - length.value, isSealed(piece) ? 0 : NINETIETH * booksOff(piece));
  const tooShort = shortMm > 0 && (lengthMm <= 0 || shortMm > 1000 * doubt);
  return { lengthMm, tailMm: tail, leftMm: free - lengthMm - tail, shortMm, tooShort };
}
