import { LevelCuts, type Solve } from './level-cuts';
import { compareCuts, scoreCuts, takenOf, type CutLevel, type Ranks } from './score-cuts';
import type { CutJob, JobCut, Stock } from './stock';

/** The longest one part may take at a level, ms. */
const PART_MS = 150;
const LEVELS: readonly CutLevel[] = ['unserved', 'shortMm'];

/**
 * Cuts of more jobs than a solver can look at in one piece: all jobs of one main are cut again while all others stay, one
 * main after another, until none of them gets better or the time is over.
 *
 * @param until by the clock, ms
 * @param ranks of all pieces there are
 * @returns cuts that are no worse
 */
export function partCuts(
  stock: Stock,
  cuts: readonly JobCut[],
  ranks: Ranks,
  solve: Solve,
  { until, now }: { readonly until: number; readonly now: () => number },
): readonly JobCut[] {
  const mains = [...new Set(stock.jobs.map(({ main }) => main.product))];
  let best = cuts;
  let since = 0;
  for (let i = 0; since < mains.length && now() < until; i += 1) {
    const main = mains[i % mains.length];
    const found = again(
      stock,
      best,
      ranks,
      ({ main: { product } }) => product === main,
      (part, level) => part.improve(level, solve, Math.min(PART_MS, until - now())),
    );
    since = isBetter(stock, found, best) ? 0 : since + 1;
    if (since === 0) best = found;
  }
  return best;
}

const isBetter = (stock: Stock, a: readonly JobCut[], b: readonly JobCut[]): boolean =>
  compareCuts(scoreCuts(stock, a), scoreCuts(stock, b)) < 0;

/** Some jobs cut again from what all others leave. */
function again(
  { jobs, pieces, tailMm }: Stock,
  cuts: readonly JobCut[],
  ranks: Ranks,
  isOf: (job: CutJob) => boolean,
  improve: (part: LevelCuts, level: CutLevel) => void,
): readonly JobCut[] {
  const own = new Set(jobs.filter((job) => isOf(job)).map(({ id }) => id));
  const others = cuts.filter(({ job }) => !own.has(job));
  const taken = takenOf(others);
  const part: Stock = {
    jobs: jobs.filter(({ id }) => own.has(id)),
    pieces: pieces.map((piece) => {
      const of = taken.get(piece.id);
      if (!of) return piece;
      return { ...piece, freeMm: Math.max(0, piece.freeMm - of.mm - of.cuts * tailMm), opened: true };
    }),
    tailMm,
  };
  const found = new LevelCuts(
    part,
    cuts.filter(({ job }) => own.has(job)),
    ranks,
  );
  for (const level of LEVELS) {
    improve(found, level);
    found.settle(level);
  }
  return [...others, ...found.cuts];
}
