import { greedyCuts, type GreedyWay } from './greedy-cuts';
import { compareCuts, ranksOf, scoreCuts, takenOf, type Ranks } from './score-cuts';
import { backingFor, type CutJob, type CutOff, type JobCut, type Stock } from './stock';
import { swapCuts } from './swap-cuts';

/** Long ones first waste least where there is line enough; where there is not, more short ones are served than long ones. */
const WAYS: readonly GreedyWay[] = [
  { first: 'longest', main: 'wanted' },
  { first: 'shortest', main: 'wanted' },
  { first: 'shortest', main: 'least' },
  { first: 'longest', main: 'least' },
];

/**
 * Good cuts in a part of a second: the best of a few ways in which a person would go about it, with lengths changed about as
 * long as that makes it better.
 *
 * @param ranks of all pieces there are
 */
export function quickCuts(stock: Stock, ranks: Ranks = ranksOf(stock.pieces)): readonly JobCut[] {
  return WAYS.map((way) => swapCuts(stock, lengthened(stock, greedyCuts(stock, way)), ranks)).reduce(
    (best, cuts) =>
      compareCuts(scoreCuts(stock, cuts, ranks), scoreCuts(stock, best, ranks)) < 0 ? cuts : best,
  );
}

/** Mains as long as they are wanted, as far as there is line left where they are cut; backing gives way to them. */
function lengthened({ jobs, pieces, tailMm }: Stock, cuts: readonly JobCut[]): readonly JobCut[] {
  const jobOf = new Map(jobs.map((job) => [job.id, job]));
  const taken = takenOf(cuts);
  const left = new Map(
    pieces.map(({ id, freeMm }) => {
      const of = taken.get(id) ?? { mm: 0, cuts: 0 };
      return [id, freeMm - of.mm - Math.max(0, of.cuts - 1) * tailMm];
    }),
  );
  return cuts.map((cut) => {
    const job = jobOf.get(cut.job);
    const room = left.get(cut.main.piece) ?? 0;
    if (!job || room <= 0 || cut.backing.length > 1) return cut;
    const more = Math.min(room, job.main.wantedMm - cut.main.lengthMm);
    const [backing] = cut.backing;
    if (more <= 0) return cut;
    left.set(cut.main.piece, room - more);
    const main = { ...cut.main, lengthMm: cut.main.lengthMm + more };
    return { ...cut, main, backing: backing ? backingWith(job, main.lengthMm, backing) : [] };
  });
}

function backingWith(job: CutJob, mainMm: number, backing: CutOff): CutOff[] {
  const lengthMm = Math.round(backingFor(job, mainMm));
  return lengthMm > 0 ? [{ ...backing, lengthMm }] : [];
}
