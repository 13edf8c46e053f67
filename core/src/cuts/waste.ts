import { takenOf } from './score-cuts';
import type { JobCut, Stock } from './stock';

/** What cuts make of one piece that nobody winds, mm: a rest that is too short, and what is lost with each cut. */
export interface PieceWaste {
  readonly piece: string;
  readonly scrapMm: number;
  readonly tailsMm: number;
  /** What is left on it afterwards, scrap or not. */
  readonly leftMm: number;
}

/** What cuts waste, piece by piece; what was too short before is no waste of theirs. */
export function wasteOf({ pieces, tailMm }: Stock, cuts: readonly JobCut[]): PieceWaste[] {
  const taken = takenOf(cuts);
  return pieces.flatMap(({ id, freeMm, usableMm }) => {
    const of = taken.get(id);
    if (!of) return [];
    const rest = Math.max(0, freeMm - of.mm);
    const tailsMm = Math.min(rest, of.cuts * tailMm);
    const left = rest - tailsMm;
    return [{ piece: id, tailsMm, leftMm: left, scrapMm: freeMm >= usableMm && left < usableMm ? left : 0 }];
  });
}
