import {
  backingFor,
  givesBacking,
  givesMain,
  isBooked,
  LEAST_JOINED_MM,
  lotOf,
  matchOf,
  SAME_MM,
  type CutJob,
  type JobCut,
  type Stock,
  type StockPiece,
} from './stock';

/** What cuts come to, worst first: a smaller number at an earlier place counts for more than anything behind it. */
export interface CutScore {
  /** Jobs that get no line. */
  readonly unserved: number;
  /** Main below what is wanted, over the jobs that are served, mm; made up by backing it still counts. */
  readonly shortMm: number;
  /** Cuts that wait for line on order. */
  readonly waits: number;
  /** Sealed pieces that are opened for it. */
  readonly opened: number;
  /** Remnants left too short to be of use, mm; those that were there before do not count. */
  readonly scrapMm: number;
  /** Backings that are joined from two. */
  readonly joins: number;
  /** Cuts that are off another piece than they are booked on. */
  readonly moved: number;
  /** For each cut how many pieces of its product come before its own: the oldest opened go first, by code where they are alike. */
  readonly order: number;
}

/** Levels of the score, the one that counts most first. */
export const CUT_LEVELS = [
  'unserved',
  'shortMm',
  'waits',
  'opened',
  'scrapMm',
  'joins',
  'moved',
  'order',
] as const satisfies readonly (keyof CutScore)[];
export type CutLevel = (typeof CUT_LEVELS)[number];

/** Below 0 where the first is better, above 0 where it is worse; lengths that are as good as the same are the same. */
export function compareCuts(a: CutScore, b: CutScore): number {
  for (const level of CUT_LEVELS) {
    const off = a[level] - b[level];
    if (Math.abs(off) > (level === 'shortMm' || level === 'scrapMm' ? SAME_MM : 0)) return off;
  }
  return 0;
}

/**
 * A place for each piece among those of its product: what is wet already first, then what was opened longest ago, sealed
 * ones behind all, by code.
 */
export type Ranks = ReadonlyMap<string, number>;

/** What is sealed comes behind all that is open: a number, since two of them are alike. */
const timeOf = ({ openedAt }: StockPiece): number => openedAt ?? Number.MAX_VALUE;

export function ranksOf(pieces: readonly StockPiece[]): Ranks {
  const next = new Map<string, number>();
  const sorted = [...pieces].sort(
    (a, b) =>
      Number(b.wet ?? false) - Number(a.wet ?? false) || timeOf(a) - timeOf(b) || (a.id < b.id ? -1 : 1),
  );
  return new Map(
    sorted.map(({ id, product }) => {
      const rank = next.get(product) ?? 0;
      next.set(product, rank + 1);
      return [id, rank];
    }),
  );
}

/** What is taken of each piece: all cuts on it, mm, and how many there are. */
export function takenOf(
  cuts: readonly JobCut[],
): ReadonlyMap<string, { readonly mm: number; readonly cuts: number }> {
  const taken = new Map<string, { mm: number; cuts: number }>();
  for (const { piece, lengthMm } of cuts.flatMap(({ main, backing }) => [main, ...backing])) {
    const before = taken.get(piece) ?? { mm: 0, cuts: 0 };
    taken.set(piece, { mm: before.mm + lengthMm, cuts: before.cuts + 1 });
  }
  return taken;
}

/**
 * What cuts come to.
 *
 * @param ranks of all pieces there are, where these are only some of them
 */
export function scoreCuts(
  { jobs, pieces, tailMm }: Stock,
  cuts: readonly JobCut[],
  ranks: Ranks = ranksOf(pieces),
): CutScore {
  const wanted = new Map(jobs.map(({ id, main }) => [id, main.wantedMm]));
  const taken = takenOf(cuts);
  const used = pieces.filter(({ id }) => taken.has(id));
  const left = ({ id, freeMm }: StockPiece): number => {
    const of = taken.get(id);
    return Math.max(0, freeMm - (of?.mm ?? 0) - (of?.cuts ?? 0) * tailMm);
  };
  return {
    unserved: jobs.length - cuts.length,
    shortMm: cuts.reduce((all, { job, main }) => all + (wanted.get(job) ?? 0) - main.lengthMm, 0),
    waits: used.reduce((all, { id, coming }) => all + (coming ? (taken.get(id)?.cuts ?? 0) : 0), 0),
    opened: used.filter(({ opened }) => !opened).length,
    scrapMm: used
      .filter((piece) => piece.freeMm >= piece.usableMm && left(piece) < piece.usableMm)
      .reduce((all, piece) => all + left(piece), 0),
    joins: cuts.filter(({ backing }) => backing.length > 1).length,
    moved: movedOf(jobs, cuts),
    order: [...taken].reduce((all, [id, one]) => all + one.cuts * (ranks.get(id) ?? 0), 0),
  };
}

function movedOf(jobs: readonly CutJob[], cuts: readonly JobCut[]): number {
  const jobOf = new Map(jobs.map((job) => [job.id, job]));
  return cuts.reduce((all, { job: id, main, backing }) => {
    const job = jobOf.get(id);
    if (!job) return all;
    const backings = backing.filter(({ piece }) => isBooked(job, 'backing', piece) === false);
    return all + Number(isBooked(job, 'main', main.piece) === false) + backings.length;
  }, 0);
}

/** What is wrong with cuts, in words; empty where they can be made. */
export function faultsOfCuts({ jobs, pieces, tailMm }: Stock, cuts: readonly JobCut[]): string[] {
  const jobOf = new Map(jobs.map((job) => [job.id, job]));
  const pieceOf = new Map(pieces.map((piece) => [piece.id, piece]));
  const faults: string[] = [];
  const check = (holds: boolean, what: string): void => {
    if (!holds) faults.push(what);
  };
  check(new Set(cuts.map(({ job }) => job)).size === cuts.length, 'a job is cut twice');
  for (const { job: id, main, backing } of cuts) {
    const job = jobOf.get(id);
    check(job !== undefined, `${id} is no job`);
    if (!job) continue;
    const of = pieceOf.get(main.piece);
    check(of !== undefined && givesMain(of, job), `${id}: other main`);
    check(main.lengthMm <= job.main.wantedMm + SAME_MM, `${id}: more main than is wanted`);
    check(main.lengthMm >= job.main.leastMm - SAME_MM, `${id}: less main than is accepted`);
    const needed = backingFor(job, main.lengthMm);
    const got = backing.reduce((all, { lengthMm }) => all + lengthMm, 0);
    check(Math.abs(needed - got) <= 2 * SAME_MM, `${id}: backing is off by ${String(got - needed)} mm`);
    check(backing.length <= (job.backing?.onePiece ? 1 : 2), `${id}: backing from too many`);
    check(
      new Set(backing.map(({ piece }) => piece)).size === backing.length,
      `${id}: a piece joined to itself`,
    );
    for (const { piece, lengthMm } of backing) {
      const joined = pieceOf.get(piece);
      check(joined !== undefined && givesBacking(joined, job), `${id}: other backing`);
      check(
        backing.length === 1 || lengthMm >= LEAST_JOINED_MM - SAME_MM,
        `${id}: joined from too short a piece`,
      );
    }
  }
  faults.push(...lotFaults(jobOf, pieceOf, cuts));
  for (const [id, { mm, cuts: n }] of takenOf(cuts))
    check(mm + (n - 1) * tailMm <= (pieceOf.get(id)?.freeMm ?? 0) + n * SAME_MM, `${id} has not so much`);
  return faults;
}

/** Mains that match and are cut from more than one lot. */
function lotFaults(
  jobOf: ReadonlyMap<string, CutJob>,
  pieceOf: ReadonlyMap<string, StockPiece>,
  cuts: readonly JobCut[],
): string[] {
  const lots = new Map<string, string>();
  return cuts.flatMap(({ job: id, main }) => {
    const job = jobOf.get(id);
    const piece = pieceOf.get(main.piece);
    const match = job ? matchOf(job) : null;
    if (match === null || !piece) return [];
    const lot = lots.get(match) ?? lotOf(piece);
    lots.set(match, lot);
    return lot === lotOf(piece) ? [] : [`${id}: of another lot than it has to match`];
  });
}
