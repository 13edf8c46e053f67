import { MixedProgram, type Column, type Linear } from './linear';
import type { CutLevel, Ranks } from './score-cuts';
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

/** Cuts as a mixed-integer program, in metres, with a sum for each level of what they come to. */
export interface CutModel {
  readonly program: MixedProgram;
  readonly levels: Readonly<Record<CutLevel, Linear>>;
  /** Cuts from what the variables came to. */
  readonly read: (value: (column: Column) => number) => JobCut[];
  /** What the variables come to with cuts that can be made. */
  readonly write: (cuts: readonly JobCut[]) => Float64Array;
}

/** Something taken off a piece: whether it is, and how much. */
interface Use {
  readonly piece: StockPiece;
  readonly is: Column;
  readonly metres: Column;
}

interface Uses {
  readonly mains: readonly Use[];
  readonly backings: readonly Use[];
}

const m = (mm: number): number => mm / 1000;
const HALF = 0.5;

/** @param ranks of all pieces there are */
export function cutModel(stock: Stock, ranks: Ranks): CutModel {
  const program = new MixedProgram();
  const perJob = stock.jobs.map((job): OfJob => {
    const served = program.choice();
    const joined = job.backing ? program.choice() : null;
    return { job, served, joined, ...usesOf(program, stock, job) };
  });
  for (const one of perJob) keepJob(program, one);
  const lots = keepLots(program, perJob);
  const uses = perJob.flatMap(({ mains, backings }) => [...mains, ...backings]);
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
      shortMm: perJob.flatMap(({ job, served, mains }): Linear => [
        [m(job.main.wantedMm), served],
        ...timesEach(-1, mains, 'metres'),
      ]),
      opened: perPiece.flatMap(({ columns }) => once(columns?.opens)),
      scrapMm: perPiece.flatMap(({ columns }) => once(columns?.scrap)),
      moved: perJob.flatMap(({ job, mains, backings }) => [
        ...offOf(mains, job.main.booked),
        ...offOf(backings, job.backing?.booked),
      ]),
      order: perCut(uses, ranks),
    },
    read: (value) =>
      perJob.flatMap(({ job, mains, backings }) => cutOf(job, { mains, backings }, value) ?? []),
    write: (cuts) => {
      const values = new Float64Array(program.columns.length);
      for (const one of perJob) writeJob(values, one, cuts);
      for (const one of perPiece) writePiece(values, stock.tailMm, one);
      for (const { is, lot } of lots) if ((values[is] ?? 0) > HALF) values[lot] = 1;
      return values;
    },
  };
}

/** A job with its variables. */
interface OfJob extends Uses {
  readonly job: CutJob;
  readonly served: Column;
  /** Whether its backing is joined from two; null where it has none. */
  readonly joined: Column | null;
}

function writeJob(
  values: Float64Array,
  { job, served, joined, mains, backings }: OfJob,
  cuts: readonly JobCut[],
): void {
  const cut = cuts.find((one) => one.job === job.id);
  if (!cut) return;
  values[served] = 1;
  if (joined !== null && cut.backing.length > 1) values[joined] = 1;
  const put = (uses: readonly Use[], { piece, lengthMm }: CutOff): void => {
    const use = uses.find((one) => one.piece.id === piece);
    if (!use) return;
    values[use.is] = 1;
    values[use.metres] = m(lengthMm);
  };
  put(mains, cut.main);
  // The last of it is what is needed to less than a millimetre: a solver is stricter than a tape.
  const needed = backingFor(job, cut.main.lengthMm);
  const others = cut.backing.slice(0, -1);
  for (const off of others) put(backings, off);
  const last = cut.backing.at(-1);
  if (last) put(backings, { ...last, lengthMm: needed - others.reduce((all, one) => all + one.lengthMm, 0) });
}

function writePiece(values: Float64Array, tailMm: number, { piece, uses, columns }: OfPiece): void {
  if (!columns) return;
  const { left, spared, ends, opens, kept, scrap } = columns;
  const used = uses.filter(({ is }) => (values[is] ?? 0) > HALF);
  const taken = used.reduce((all, { metres }) => all + (values[metres] ?? 0), 0) + used.length * m(tailMm);
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

const timesEach = (factor: number, uses: readonly Use[], of: 'is' | 'metres'): Linear =>
  uses.map((use) => [factor, use[of]]);

/** Each use of another piece than is booked. */
const offOf = (uses: readonly Use[], booked: string | undefined): Linear =>
  booked === undefined
    ? []
    : uses.filter(({ piece }) => piece.id !== booked).map(({ is }): Linear[number] => [1, is]);

const perCut = (uses: readonly Use[], ranks: Ranks): Linear =>
  uses
    .map(({ piece, is }): Linear[number] => [ranks.get(piece.id) ?? 0, is])
    .filter(([factor]) => factor > 0);

/** The most backing a job can need: with the shortest main it accepts. */
const mostBacking = (job: CutJob): number => backingFor(job, job.main.leastMm);

function usesOf(program: MixedProgram, { pieces }: Stock, job: CutJob): Uses {
  const { main } = job;
  const most = mostBacking(job);
  const use = (piece: StockPiece, mostMm: number): Use => ({
    piece,
    is: program.choice(),
    metres: program.amount(m(Math.min(mostMm, piece.freeMm))),
  });
  return {
    mains: pieces
      .filter((piece) => givesMain(piece, job) && piece.freeMm >= main.leastMm)
      .map((piece) => use(piece, main.wantedMm)),
    backings: pieces
      .filter((piece) => givesBacking(piece, job) && piece.freeMm > 0 && most > 0)
      .map((piece) => use(piece, most)),
  };
}

/** One unbroken main for a job that is served, and backing that makes up the rest. */
function keepJob(program: MixedProgram, { job, served, joined, mains, backings }: OfJob): void {
  const { main, backing } = job;
  program.keep([...timesEach(1, mains, 'is'), [-1, served]], { least: 0, most: 0 });
  for (const { piece, is, metres } of mains)
    program.between(metres, m(main.leastMm), m(Math.min(main.wantedMm, piece.freeMm)), is);
  if (!backing || joined === null) return;
  const whole = m(backing.lengthMm) + backing.perMain * m(main.wantedMm);
  program.keep(
    [...timesEach(1, backings, 'metres'), ...timesEach(backing.perMain, mains, 'metres'), [-whole, served]],
    { least: 0, most: 0 },
  );
  program.onlyIf(joined, backing.onePiece ? 0 : 1, served);
  program.keep([...timesEach(1, backings, 'is'), [-1, served], [-1, joined]], { most: 0 });
  const least = m(LEAST_JOINED_MM);
  for (const { piece, is, metres } of backings) {
    program.onlyIf(metres, m(Math.min(mostBacking(job), piece.freeMm)), is);
    // A cut of nothing would lose a tail, and hide scrap in it.
    program.leastIf(metres, m(1), is);
    // Joined from two, each of them is no shorter than can be joined.
    const asJoined: Linear = [
      [1, metres],
      [-least, is],
      [-least, joined],
    ];
    program.keep(asJoined, { least: -least });
  }
}

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

function cutOf(job: CutJob, { mains, backings }: Uses, value: (column: Column) => number): JobCut | null {
  const used = mains.find(({ is }) => value(is) > HALF);
  if (!used) return null;
  const off = ({ piece, metres }: Use): CutOff => ({
    piece: piece.id,
    lengthMm: Math.round(1000 * value(metres)),
  });
  const main = off(used);
  const backing = backings
    .filter(({ is }) => value(is) > HALF)
    .map(off)
    .filter(({ lengthMm }) => lengthMm > 0);
  const [first, second] = backing;
  // The last of it makes up the rounding of the others.
  const rest = Math.round(backingFor(job, main.lengthMm)) - (second ? (first?.lengthMm ?? 0) : 0);
  const last = second ?? first;
  return {
    job: job.id,
    main,
    backing: last ? [...(second && first ? [first] : []), { ...last, lengthMm: rest }] : [],
  };
}
