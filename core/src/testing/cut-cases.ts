import type { CutJob, Stock, StockPiece } from '../cuts/stock';

/** An opened piece of a line called A. */
export const piece = (id: string, metres: number, more: Partial<StockPiece> = {}): StockPiece => ({
  id,
  product: 'A',
  freeMm: 1000 * metres,
  opened: true,
  openedAt: 1,
  usableMm: 20_000,
  ...more,
});

/** What there is to cut, with the usual tail. */
export const stock = (jobs: readonly CutJob[], pieces: readonly StockPiece[]): Stock => ({
  jobs,
  pieces,
  tailMm: 2000,
});
