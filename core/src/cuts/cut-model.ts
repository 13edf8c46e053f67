import { MixedProgram, type Column, type Linear } from './linear';
import type { CutLevel, Ranks } from './score-cuts';
import {
  backingsOf,
  cutOf,
  HALF,
  isFixed,
  keepJob,
  m,
  timesEach,
  usesOf,
  writeJob,
  type OfJob,
  type Use,
} from './cut-uses';
import { isBooked, lotOf, matchOf, type CutJob, type JobCut, type Stock, type StockPiece } from './stock';

/** Cuts as a mixed-integer program, in metres, with a sum for each level of what they come to. */
export interface CutModel {
  readonly program: MixedProgram;
  readonly levels: Readonly<Record<CutLevel, Linear>>;
  /** Cuts from what the variables came to. */
  readonly read: (value: (column: Column) => number) => JobCut[];
  /** What the variables come to with cuts that can be made. */
  readonly write: (cuts: readonly JobCut[]) => Float64Array;
}

/** @param ranks of all pieces there are */
export function cutModel(stock: Stock, ranks: Ranks): CutModel {
  const program = new MixedProgram();
  const perJob = stock.jobs.map((job) => usesOf(program, stock, job));
  for (const one of perJob) keepJob(program, one);
  const lots = keepLots(program, perJob);
  const uses = perJob.flatMap((one) => [...one.mains, ...backingsOf(one)]);
  const perPiece = stock.pieces.map((piece): OfPiece => {
    const own = uses.filter((one) => one.piece === piece);
    return {
      piece,
      uses: own,
      columns: own.length > 0 ? keepPiece(program, stock.tailMm, piece, own) : null,
    };
  });
  keepInOrder(program, perPiece);
  return {
    program,
    levels: {
      // One less for each that is served: the number of jobs does not change.
      unserved: perJob.map(({ served }) => [-1, served]),
      shortMm: perJob
        .filter(({ job }) => !isFixed(job))
        .flatMap(({ job, served, mains }): Linear => [
          [m(job.main.wantedMm), served],
          ...timesEach(-1, mains, 'metres'),
        ]),
      waits: uses.filter(({ piece }) => piece.coming).map(({ is }): Linear[number] => [1, is]),
      opened: perPiece.flatMap(({ columns }) => once(columns?.opens)),
      scrapMm: perPiece.flatMap(({ columns }) => once(columns?.scrap)),
      joins: perJob.flatMap(({ joined }) => once(joined)),
      moved: perJob.flatMap((one) => [
        ...offOf(one.mains, one.job, 'main'),
        ...offOf(backingsOf(one), one.job, 'backing'),
      ]),
      order: perCut(uses, ranks),
    },
    read: (value) => perJob.flatMap((one) => cutOf(one, value) ?? []),
    write: (cuts) => {
      const values = new Float64Array(program.columns.length);
      for (const one of perJob) writeJob(values, one, cuts);
      for (const one of perPiece) writePiece(values, stock.tailMm, one);
      for (const { is, lot } of lots) if ((values[is] ?? 0) > HALF) values[lot] = 1;
      return values;
    },
  };
}

function writePiece(values: Float64Array, tailMm: number, { piece, uses, columns }: OfPiece): void {
  if (!columns) return;
  const { left, spared, ends, opens, kept, scrap } = columns;
  const used = uses.filter(({ is }) => (values[is] ?? 0) > HALF);
  const taken =
    used.reduce((all, { metres: [times, column] }) => all + times * (values[column] ?? 0), 0) +
    used.length * m(tailMm);
  const rest = m(piece.freeMm) - taken;
  values[left] = Math.max(0, rest);
  values[spared] = Math.max(0, -rest);
  if (rest < 0) values[ends] = 1;
  if (opens !== null && used.length > 0) values[opens] = 1;
  if (kept === null || scrap === null) return;
  if (rest >= m(piece.usableMm)) values[kept] = 1;
  else values[scrap] = Math.max(0, rest);
}

const once = (column: Column | null | undefined): Linear => (column == null ? [] : [[1, column]]);

/** Each use of another piece than is booked. */
const offOf = (uses: readonly Use[], job: CutJob, of: 'main' | 'backing'): Linear =>
  uses.filter(({ piece }) => isBooked(job, of, piece.id) === false).map(({ is }): Linear[number] => [1, is]);

const perCut = (uses: readonly Use[], ranks: Ranks): Linear =>
  uses
    .map(({ piece, is }): Linear[number] => [ranks.get(piece.id) ?? 0, is])
    .filter(([factor]) => factor > 0);

/** Mains that match are cut from one lot: each use of one, with the choice of its lot. */
function keepLots(
  program: MixedProgram,
  perJob: readonly OfJob[],
): { readonly is: Column; readonly lot: Column }[] {
  const matches = new Map<string, Map<string, Column>>();
  const uses = perJob.flatMap(({ job, mains }) => {
    const match = matchOf(job);
    if (match === null) return [];
    const lots = matches.get(match) ?? new Map<string, Column>();
    matches.set(match, lots);
    return mains.map(({ piece, is }) => {
      const lot = lots.get(lotOf(piece)) ?? program.choice();
      lots.set(lotOf(piece), lot);
      program.onlyIf(is, 1, lot);
      return { is, lot };
    });
  });
  for (const lots of matches.values())
    program.keep(
      [...lots.values()].map((lot): Linear[number] => [1, lot]),
      { most: 1 },
    );
  return uses;
}

/** A piece with its variables; null where nothing is cut from it. */
interface OfPiece {
  readonly piece: StockPiece;
  readonly uses: readonly Use[];
  readonly columns: PieceColumns | null;
}

interface PieceColumns {
  readonly left: Column;
  /** What the last cut need not lose of its tail, and whether all there is is taken. */
  readonly spared: Column;
  readonly ends: Column;
  /** Whether it is opened; null where it is already. */
  readonly opens: Column | null;
  /** Whether the rest is of use, and how much is scrap; null where it was scrap before. */
  readonly kept: Column | null;
  readonly scrap: Column | null;
}

/** Of sealed pieces that are alike the one whose code comes first is opened first: what is alike is tried once. */
function keepInOrder(program: MixedProgram, perPiece: readonly OfPiece[]): void {
  const sealed = perPiece
    .filter(({ columns }) => columns?.opens != null)
    .sort((a, b) => (a.piece.id < b.piece.id ? -1 : 1));
  sealed.forEach(({ piece, columns }, i) => {
    const next = sealed.slice(i + 1).find((one) => isAlike(one.piece, piece));
    if (next?.columns?.opens != null && columns?.opens != null)
      program.onlyIf(next.columns.opens, 1, columns.opens);
  });
}

const isAlike = (a: StockPiece, b: StockPiece): boolean =>
  a.product === b.product &&
  a.freeMm === b.freeMm &&
  a.usableMm === b.usableMm &&
  a.lot === b.lot &&
  a.backingOnly === b.backingOnly &&
  a.coming === b.coming &&
  a.readyAt === b.readyAt &&
  a.wet === b.wet;

/** What a piece has is not taken twice; a remnant that is left is kept, or is scrap. */
function keepPiece(
  program: MixedProgram,
  tailMm: number,
  { freeMm, usableMm, opened }: StockPiece,
  uses: readonly Use[],
): PieceColumns {
  const free = m(freeMm);
  const tail = m(tailMm);
  const left = program.amount(free);
  // The last cut loses less of a tail where all there is is taken.
  const spared = program.amount(tail);
  const ends = program.choice();
  program.keep([[1, left], [-1, spared], ...timesEach(1, uses, 'metres'), ...timesEach(tail, uses, 'is')], {
    least: free,
    most: free,
  });
  program.onlyIf(spared, tail, ends);
  program.noneIf(left, free, ends);
  const opens = opened ? null : program.choice();
  if (opens !== null) for (const { is } of uses) program.onlyIf(is, 1, opens);
  const columns = { left, spared, ends, opens };
  if (freeMm < usableMm) return { ...columns, kept: null, scrap: null };
  const kept = program.choice();
  const scrap = program.amount(free);
  const rest: Linear = [
    [1, scrap],
    [-1, left],
    [free, kept],
  ];
  program.keep(rest, { least: 0 });
  program.leastIf(left, m(usableMm), kept);
  return { ...columns, kept, scrap };
}
