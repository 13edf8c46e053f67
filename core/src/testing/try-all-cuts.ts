import { compareCuts, faultsOfCuts, scoreCuts, type CutScore } from '../cuts/score-cuts';
import {
  backingFor,
  givesBacking,
  givesMain,
  LEAST_JOINED_MM,
  type CutJob,
  type CutOff,
  type JobCut,
  type Stock,
} from '../cuts/stock';
import { GRID_MM } from './stocks';

/** The best of all cuts there are of a small case, lengths on its grid; and how many were tried. */
export function tryAllCuts(stock: Stock): { readonly score: CutScore; readonly tried: number } {
  let best = scoreCuts(stock, []);
  let tried = 0;
  const ways = stock.jobs.map((job) => waysOf(job, stock));
  const go = (i: number, cuts: readonly JobCut[]): void => {
    // What does not fit with some of them does not fit with more.
    if (cuts.length > 0 && faultsOfCuts(stock, cuts).length > 0) return;
    if (i === ways.length) {
      tried += 1;
      const score = scoreCuts(stock, cuts);
      if (compareCuts(score, best) < 0) best = score;
      return;
    }
    go(i + 1, cuts);
    for (const way of ways[i] ?? []) go(i + 1, [...cuts, way]);
  };
  go(0, []);
  return { score: best, tried };
}

function waysOf(job: CutJob, { pieces }: Stock): JobCut[] {
  const { wantedMm, leastMm } = job.main;
  return pieces
    .filter((piece) => givesMain(piece, job))
    .flatMap(({ id }) =>
      steps(leastMm, wantedMm).flatMap((lengthMm) =>
        backingsOf(job, lengthMm, pieces).map((backing) => ({
          job: job.id,
          main: { piece: id, lengthMm },
          backing,
        })),
      ),
    );
}

function backingsOf(job: CutJob, mainMm: number, pieces: Stock['pieces']): CutOff[][] {
  const needed = backingFor(job, mainMm);
  if (needed === 0) return [[]];
  const ids = pieces.filter((piece) => givesBacking(piece, job)).map(({ id }) => id);
  const alone = ids.map((piece) => [{ piece, lengthMm: needed }]);
  const joined = ids.flatMap((first, i) =>
    ids.slice(i + 1).flatMap((second) =>
      steps(LEAST_JOINED_MM, needed - LEAST_JOINED_MM).map((lengthMm) => [
        { piece: first, lengthMm },
        { piece: second, lengthMm: needed - lengthMm },
      ]),
    ),
  );
  return job.backing?.onePiece ? alone : [...alone, ...joined];
}

const steps = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / GRID_MM) + 1) }, (_, i) => from + i * GRID_MM);
