import {
  backingFor,
  givesBacking,
  givesMain,
  lotOf,
  matchOf,
  LEAST_JOINED_MM,
  type CutJob,
  type CutOff,
  type JobCut,
  type Stock,
  type StockPiece,
} from './stock';

/** What is left on each piece as one job after another is cut. */
type Left = Map<string, number>;

/** Which job is cut first, and with how much of its main. */
export interface GreedyWay {
  readonly first: 'longest' | 'shortest';
  readonly main: 'wanted' | 'least';
}

const BEST_FIT: GreedyWay = { first: 'longest', main: 'wanted' };

/**
 * Cuts at once, as a careful person makes them: the longest main first, each from the piece that is left shortest by it,
 * opened ones before sealed ones. Where no piece has all of a main, the one with most on it gives what it has.
 */
export function greedyCuts({ jobs, pieces, tailMm }: Stock, way = BEST_FIT): JobCut[] {
  const left: Left = new Map(pieces.map(({ id, freeMm }) => [id, freeMm]));
  const mainOf = ({ main }: CutJob): number => (way.main === 'wanted' ? main.wantedMm : main.leastMm);
  const sign = way.first === 'longest' ? -1 : 1;
  const order = [...jobs].sort((a, b) => sign * (mainOf(a) - mainOf(b)) || (a.id < b.id ? -1 : 1));
  const lots = new Map<string, string>();
  return order.flatMap((job) => {
    const trial: Left = new Map(left);
    const match = matchOf(job);
    const lot = match === null ? undefined : lots.get(match);
    const there = lot === undefined ? pieces : pieces.filter((piece) => isOfLot(piece, job, lot));
    const cut = cutOf(job, mainOf(job), there, trial, tailMm);
    const of = pieces.find(({ id }) => id === cut?.main.piece);
    if (match !== null && of) lots.set(match, lotOf(of));
    if (cut) for (const [id, mm] of trial) left.set(id, mm);
    return cut ?? [];
  });
}

/** A main that has to match is cut from its set's lot; all else may come from any. */
const isOfLot = (piece: StockPiece, job: CutJob, lot: string): boolean =>
  piece.product !== job.main.product || lotOf(piece) === lot;

function cutOf(
  job: CutJob,
  wantedMm: number,
  pieces: readonly StockPiece[],
  left: Left,
  tailMm: number,
): JobCut | null {
  const { leastMm } = job.main;
  const ofMain = pieces.filter((piece) => givesMain(piece, job));
  const best = bestFor(ofMain, left, wantedMm) ?? longest(ofMain, left);
  if (!best) return null;
  const lengthMm = Math.min(wantedMm, left.get(best.id) ?? 0);
  if (lengthMm < leastMm) return null;
  const main = { piece: best.id, lengthMm };
  take(left, main, tailMm);
  const backing = backingOf(job, lengthMm, pieces, left, tailMm);
  return backing && { job: job.id, main, backing };
}

/** Backing from one piece, or joined from two; null where there is not enough. */
function backingOf(
  job: CutJob,
  mainMm: number,
  pieces: readonly StockPiece[],
  left: Left,
  tailMm: number,
): CutOff[] | null {
  const needed = Math.round(backingFor(job, mainMm));
  if (!job.backing || needed <= 0) return [];
  const { onePiece } = job.backing;
  const ofIt = pieces.filter((piece) => givesBacking(piece, job));
  const one = bestFor(ofIt, left, needed);
  if (one) return [take(left, { piece: one.id, lengthMm: needed }, tailMm)];
  const first = longest(ofIt, left);
  if (!first || onePiece) return null;
  // The second piece gives no less than can be joined, whatever the first still has.
  const lengthMm = Math.min(left.get(first.id) ?? 0, needed - LEAST_JOINED_MM);
  if (lengthMm < LEAST_JOINED_MM) return null;
  const rest = needed - lengthMm;
  const second = bestFor(
    ofIt.filter(({ id }) => id !== first.id),
    left,
    rest,
  );
  return (
    second && [
      take(left, { piece: first.id, lengthMm }, tailMm),
      take(left, { piece: second.id, lengthMm: rest }, tailMm),
    ]
  );
}

/** The piece with a length on it that is left shortest by it; an opened one before a sealed one, and both before line on order. */
const bestFor = (pieces: readonly StockPiece[], left: Left, mm: number): StockPiece | null =>
  pieces
    .filter(({ id }) => (left.get(id) ?? 0) >= mm)
    .sort(
      (a, b) =>
        Number(a.coming ?? false) - Number(b.coming ?? false) ||
        Number(isOpen(b, left)) - Number(isOpen(a, left)) ||
        (left.get(a.id) ?? 0) - (left.get(b.id) ?? 0) ||
        (a.id < b.id ? -1 : 1),
    )[0] ?? null;

/** Whether it was open, or is by what was cut from it. */
const isOpen = ({ id, opened, freeMm }: StockPiece, left: Left): boolean =>
  opened || (left.get(id) ?? 0) < freeMm;

const longest = (pieces: readonly StockPiece[], left: Left): StockPiece | null =>
  [...pieces].sort((a, b) => (left.get(b.id) ?? 0) - (left.get(a.id) ?? 0) || (a.id < b.id ? -1 : 1))[0] ??
  null;

function take(left: Left, cut: CutOff, tailMm: number): CutOff {
  left.set(cut.piece, Math.max(0, (left.get(cut.piece) ?? 0) - cut.lengthMm - tailMm));
  return cut;
}
