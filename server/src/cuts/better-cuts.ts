import {
  compareCuts,
  faultsOfCuts,
  quickCuts,
  linkedGroups,
  scoreCuts,
  type CutScore,
  type JobCut,
  type Stock,
} from '@yard-spool/core';

/**
 * Cuts where they are better than what is booked, and what is booked elsewhere: a reel is not cut from another piece, and
 * the label on its bag is not wrong, only because another piece was opened earlier.
 */
export function whereBetter(
  stock: Stock,
  found: readonly JobCut[],
  booked: readonly JobCut[],
): readonly JobCut[] {
  return linkedGroups(stock).flatMap((group) => {
    const ids = new Set(group.jobs.map(({ id }) => id));
    const of = (cuts: readonly JobCut[]): JobCut[] => cuts.filter(({ job }) => ids.has(job));
    // What cannot be cut any more, since a piece has less or somebody asks for another, is no better than anything.
    const isAsBooked =
      faultsOfCuts(group, of(booked)).length === 0 &&
      compareCuts(counted(group, of(booked)), counted(group, of(found))) <= 0;
    return of(isAsBooked ? booked : found);
  });
}

const counted = (stock: Stock, cuts: readonly JobCut[]): CutScore => ({
  ...scoreCuts(stock, cuts),
  moved: 0,
  order: 0,
});

/** Cuts that are there at once, while better ones are looked for. */
export const cutsAtOnce = (stock: Stock, booked: readonly JobCut[]): readonly JobCut[] =>
  whereBetter(stock, quickCuts(stock), booked);
