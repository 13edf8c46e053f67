import type { CutFigures, Piece } from '@yard-spool/contract';
import { scoreCuts, wasteOf, type JobCut } from '@yard-spool/core';
import type { GatheredCuts } from './gather-cuts';

/** What cuts come to, with what they waste in money as far as prices are written down. */
export function figuresOf(
  { stock, pieces }: Pick<GatheredCuts, 'stock' | 'pieces'>,
  cuts: readonly JobCut[],
): CutFigures {
  const { unserved, shortMm, opened, scrapMm } = scoreCuts(stock, cuts);
  const waste = wasteOf(stock, cuts).filter(({ piece }) => pieces.has(piece));
  return {
    unserved,
    shortMm,
    opened,
    scrapMm,
    tailsMm: waste.reduce((all, { tailsMm }) => all + tailsMm, 0),
    wasteMinor: Math.round(
      waste.reduce((all, one) => all + (one.scrapMm + one.tailsMm) * pricePerMm(pieces.get(one.piece)), 0),
    ),
  };
}

const pricePerMm = (piece: Piece | undefined): number =>
  piece?.priceMinor && piece.receivedMm > 0 ? piece.priceMinor / piece.receivedMm : 0;
