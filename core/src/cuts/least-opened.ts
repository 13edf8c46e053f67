import { backingFor, type Stock } from './stock';

/**
 * Sealed pieces that have to be opened whatever is cut from which: as many as hold what the opened ones do not. Each piece
 * loses a tail less than it has cuts, since one that takes all there is has none.
 *
 * @param served how many jobs are served; where it is not all, any of them may be left out
 */
export function leastOpened({ jobs, pieces, tailMm }: Stock, served: number): number {
  if (served < jobs.length) return 0;
  let lacks = jobs.reduce((all, job) => {
    const backingMm = Math.max(0, backingFor(job, job.main.wantedMm));
    return all + job.main.leastMm + tailMm + (backingMm > 0 ? backingMm + tailMm : 0);
  }, 0);
  const holds = (mm: number): number => mm + tailMm;
  for (const { opened, freeMm } of pieces) if (opened) lacks -= holds(freeMm);
  const sealed = pieces.filter(({ opened }) => !opened).sort((a, b) => b.freeMm - a.freeMm);
  let least = 0;
  for (const { freeMm } of sealed) {
    if (lacks <= SLACK_MM) break;
    lacks -= holds(freeMm);
    least += 1;
  }
  return least;
}

/** What rounding to whole millimetres may come to over many cuts. */
const SLACK_MM = 500;
