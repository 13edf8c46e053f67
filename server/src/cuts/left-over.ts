import { wasteOf, type JobCut } from '@yard-spool/core';
import type { GatheredCuts } from './gather-cuts';

/** What cuts leave on each piece, mm, by its code. */
export function leftOver(
  { stock }: Pick<GatheredCuts, 'stock'>,
  cuts: readonly JobCut[],
): Map<string, number> {
  const left = new Map(stock.pieces.map(({ id, freeMm }) => [id, freeMm]));
  for (const { piece, leftMm } of wasteOf(stock, cuts)) left.set(piece, leftMm);
  return left;
}
