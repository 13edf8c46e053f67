import type { CutJob, StockPiece } from './stock';

/** What the name of a job's backing ends in where it is cut for itself. */
const BACKING = ' backing';

export const backingName = (job: string): string => job + BACKING;

/** A job's main for itself. */
export const mainAlone = (job: CutJob): CutJob => ({ ...job, backing: null });

/** A job's backing for itself: its main comes from a piece that nobody else has, and is none of the stock's. */
export function backingAlone(job: CutJob): { readonly job: CutJob; readonly piece: StockPiece } {
  const id = backingName(job.id);
  const freeMm = job.main.wantedMm;
  const { due } = job;
  return {
    // Nothing of its main is left but that it is there.
    job: {
      id,
      backing: job.backing,
      ...(due === undefined ? {} : { due }),
      main: { product: id, wantedMm: job.main.wantedMm, leastMm: job.main.leastMm },
    },
    // Shorter than what is of use: what is left of it is no scrap of anybody's.
    piece: { id, product: id, freeMm, opened: true, openedAt: null, usableMm: freeMm + 1 },
  };
}

/** The same job, with all of its main or not at all. */
export const inFull = (job: CutJob): CutJob => ({
  ...job,
  main: { ...job.main, leastMm: job.main.wantedMm },
});
