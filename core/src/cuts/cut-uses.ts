import type { Column, Linear, MixedProgram } from './linear';
import {
  backingFor,
  givesBacking,
  givesMain,
  LEAST_JOINED_MM,
  type CutJob,
  type CutOff,
  type JobCut,
  type Stock,
  type StockPiece,
} from './stock';

/** Something taken off a piece: whether it is, and how much, m, as so many times a variable. */
export interface Use {
  readonly piece: StockPiece;
  readonly is: Column;
  readonly metres: Linear[number];
}

/** A job with its variables. */
export interface OfJob {
  readonly job: CutJob;
  readonly served: Column;
  readonly mains: readonly Use[];
  /** Backing from one piece alone. */
  readonly wholes: readonly Use[];
  /** One of two that are joined, and whether any are; null where none can be. */
  readonly parts: readonly Use[];
  readonly joined: Column | null;
}

export const m = (mm: number): number => mm / 1000;
export const HALF = 0.5;

export const timesEach = (factor: number, uses: readonly Use[], of: 'is' | 'metres'): Linear =>
  uses.map((use): Linear[number] => {
    if (of === 'is') return [factor, use.is];
    const [times, column] = use.metres;
    return [factor * times, column];
  });

export const backingsOf = ({ wholes, parts }: OfJob): readonly Use[] => [...wholes, ...parts];

/** Whether a main is as long as it is whatever is chosen. */
export const isFixed = ({ main }: CutJob): boolean => main.leastMm >= main.wantedMm;

/** What backing a job needs where that hangs on nothing, mm; null where it makes up for a main that may be shorter. */
const fixedBacking = (job: CutJob): number | null =>
  isFixed(job) || job.backing?.perMain === 0 ? Math.round(backingFor(job, job.main.wantedMm)) : null;

/** A length that is known is no variable of its own: whether it is cut says all. */
export function usesOf(program: MixedProgram, { pieces }: Stock, job: CutJob): OfJob {
  const served = program.choice();
  const { leastMm, wantedMm } = job.main;
  const known = (piece: StockPiece, mm: number): Use => {
    const is = program.choice();
    return { piece, is, metres: [m(mm), is] };
  };
  const between = (piece: StockPiece, least: number, most: number): Use => {
    if (least === most) return known(piece, least);
    const is = program.choice();
    const metres = program.amount(m(most));
    program.onlyIf(metres, m(most), is);
    program.leastIf(metres, m(least), is);
    return { piece, is, metres: [1, metres] };
  };
  const ofMain = pieces.filter((piece) => givesMain(piece, job) && piece.freeMm >= leastMm);
  const mains = ofMain.map((piece) => between(piece, leastMm, Math.min(wantedMm, piece.freeMm)));
  const most = backingFor(job, leastMm);
  const of = most > 0 ? pieces.filter((piece) => givesBacking(piece, job) && piece.freeMm > 0) : [];
  const fixed = fixedBacking(job);
  // A cut of nothing would lose a tail, and hide scrap in it: it is a millimetre at least.
  const wholes =
    fixed === null
      ? of.map((piece) => between(piece, 1, Math.min(most, piece.freeMm)))
      : of.filter(({ freeMm }) => freeMm >= fixed).map((piece) => known(piece, fixed));
  const long = of.filter(({ freeMm }) => freeMm >= LEAST_JOINED_MM);
  if (job.backing?.onePiece !== false || most < 2 * LEAST_JOINED_MM || long.length < 2)
    return { job, served, mains, wholes, parts: [], joined: null };
  const parts = long.map((piece) =>
    between(piece, LEAST_JOINED_MM, Math.min(most - LEAST_JOINED_MM, piece.freeMm)),
  );
  return { job, served, mains, wholes, parts, joined: program.choice() };
}

/** One unbroken main for a job that is served, and backing that makes up the rest. */
export function keepJob(program: MixedProgram, of: OfJob): void {
  const { job, served, joined, mains, wholes, parts } = of;
  program.keep([...timesEach(1, mains, 'is'), [-1, served]], { least: 0, most: 0 });
  if (!job.backing) return;
  const fixed = fixedBacking(job);
  const join: Linear = joined === null ? [] : [[1, joined]];
  if (joined !== null) program.keep([...timesEach(1, parts, 'is'), [-2, joined]], { least: 0, most: 0 });
  if (fixed !== null) {
    if (fixed <= 0) return;
    program.keep([...timesEach(1, wholes, 'is'), ...join, [-1, served]], { least: 0, most: 0 });
    if (joined !== null)
      program.keep([...timesEach(1, parts, 'metres'), [-m(fixed), joined]], { least: 0, most: 0 });
    return;
  }
  program.keep([...timesEach(1, wholes, 'is'), ...join, [-1, served]], { most: 0 });
  const { perMain, lengthMm } = job.backing;
  const all = m(lengthMm) + perMain * m(job.main.wantedMm);
  program.keep(
    [...timesEach(1, backingsOf(of), 'metres'), ...timesEach(perMain, mains, 'metres'), [-all, served]],
    { least: 0, most: 0 },
  );
}

/** What a job's variables come to with a cut of it. */
export function writeJob(values: Float64Array, of: OfJob, cuts: readonly JobCut[]): void {
  const { job, served, joined, mains, wholes, parts } = of;
  const cut = cuts.find((one) => one.job === job.id);
  if (!cut) return;
  values[served] = 1;
  const isJoined = cut.backing.length > 1;
  if (joined !== null && isJoined) values[joined] = 1;
  const put = (uses: readonly Use[], { piece, lengthMm }: CutOff): void => {
    const use = uses.find((one) => one.piece.id === piece);
    if (!use) return;
    const [, column] = use.metres;
    values[column] = m(lengthMm);
    values[use.is] = 1;
  };
  put(mains, cut.main);
  // The last of it is what is needed to less than a millimetre: a solver is stricter than a tape.
  const needed = backingFor(job, cut.main.lengthMm);
  const others = cut.backing.slice(0, -1);
  for (const off of others) put(parts, off);
  const last = cut.backing.at(-1);
  const rest = needed - others.reduce((all, one) => all + one.lengthMm, 0);
  if (last) put(isJoined ? parts : wholes, { ...last, lengthMm: rest });
}

/** A job's cut from what the variables came to; null where it is not served. */
export function cutOf(of: OfJob, value: (column: Column) => number): JobCut | null {
  const { job, mains } = of;
  const used = mains.find(({ is }) => value(is) > HALF);
  if (!used) return null;
  const off = ({ piece, metres: [times, column] }: Use): CutOff => ({
    piece: piece.id,
    lengthMm: Math.round(1000 * times * value(column)),
  });
  const main = off(used);
  const backing = backingsOf(of)
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
