import { takenOf, type Ranks } from './score-cuts';
import {
  givesBacking,
  givesMain,
  isBooked,
  matchOf,
  type CutJob,
  type CutOff,
  type JobCut,
  type Stock,
  type StockPiece,
} from './stock';

/** A length that is cut somewhere, and may be cut elsewhere. */
interface Length {
  readonly job: string;
  /** Its place among the cuts of its job: the main first. */
  readonly nth: number;
  readonly mm: number;
  /** Whether it is booked on a piece; null where it is booked on none. */
  readonly isBooked: (piece: string) => boolean | null;
  readonly fits: (piece: StockPiece) => boolean;
}

/** A piece, and what is cut from it: all of it, and what of that may go elsewhere. */
interface OnPiece {
  readonly piece: StockPiece;
  readonly rank: number;
  mm: number;
  cuts: number;
  lengths: Length[];
}

/** Up to two lengths of one piece. */
interface Few {
  readonly of: readonly Length[];
  readonly mm: number;
}

/** More than this is not tried: it takes a part of a second. */
const MOST_TRIED = 60_000_000;
/** Less scrap than this makes nothing better, mm. */
const LEAST_MM = 0.5;
const NOTHING: Few = { of: [], mm: 0 };

/**
 * Cuts of the same lengths with some of them on other pieces: up to two of one piece change with up to two of another, as
 * long as that makes better what waits, what is opened, scrap, what is moved or the order, in that order. Who is served, and with how
 * much, stays as it is; so do mains that have to match.
 *
 * @param ranks of all pieces there are
 * @returns cuts that are no worse
 */
export function swapCuts(stock: Stock, cuts: readonly JobCut[], ranks: Ranks): readonly JobCut[] {
  const places = placesOf(stock, cuts, ranks);
  let tried = 0;
  /** Changes as long as it gets better; whether it did. */
  const change = (p: OnPiece, q: OnPiece): boolean => {
    let isBetter = false;
    for (;;) {
      const [ofP, ofQ] = [fewOf(p), fewOf(q)] as const;
      tried += ofP.length * ofQ.length;
      if (tried > MOST_TRIED || !changed({ p, q, ofP, ofQ, tailMm: stock.tailMm })) return isBetter;
      isBetter = true;
    }
  };
  for (const own of byProduct(places)) {
    const pass = (): boolean =>
      own.flatMap((p, i) => own.slice(i + 1).map((q) => ({ p, q }))).filter(({ p, q }) => change(p, q))
        .length > 0;
    while (pass());
  }
  return withPlaces(cuts, places);
}

function fewOf({ lengths }: OnPiece): Few[] {
  return [
    NOTHING,
    ...lengths.map((one): Few => ({ of: [one], mm: one.mm })),
    ...lengths.flatMap((one, i) =>
      lengths.slice(i + 1).map((other): Few => ({ of: [one, other], mm: one.mm + other.mm })),
    ),
  ];
}

interface Change {
  readonly p: OnPiece;
  readonly q: OnPiece;
  readonly ofP: readonly Few[];
  readonly ofQ: readonly Few[];
  readonly tailMm: number;
}

/** Makes the first change that is better, if there is one. */
function changed(change: Change): boolean {
  const { p, q, ofP, ofQ, tailMm } = change;
  const before: Beside = {
    opened: opensOf(p, p.cuts) + opensOf(q, q.cuts),
    scrapMm: scrapOf(p, p.mm, p.cuts, tailMm) + scrapOf(q, q.mm, q.cuts, tailMm),
  };
  for (const a of ofP)
    for (const b of ofQ) {
      if (!isBetter(change, before, a, b) || !mayGo(a, q, b) || !mayGo(b, p, a)) continue;
      go(a, p, q);
      go(b, q, p);
      return true;
    }
  return false;
}

interface Beside {
  readonly opened: number;
  readonly scrapMm: number;
}

/** Whether it is better, and there is enough, with some of the first piece on the second and some of that on the first. */
function isBetter({ p, q, tailMm }: Change, { opened, scrapMm }: Beside, a: Few, b: Few): boolean {
  const mm = b.mm - a.mm;
  const n = b.of.length - a.of.length;
  if (!hasEnough(p, p.mm + mm, p.cuts + n, tailMm) || !hasEnough(q, q.mm - mm, q.cuts - n, tailMm))
    return false;
  const waits = n * (waitsOn(p) - waitsOn(q));
  if (waits !== 0) return waits < 0;
  const opens = opensOf(p, p.cuts + n) + opensOf(q, q.cuts - n) - opened;
  if (opens !== 0) return opens < 0;
  const scrap =
    scrapOf(p, p.mm + mm, p.cuts + n, tailMm) + scrapOf(q, q.mm - mm, q.cuts - n, tailMm) - scrapMm;
  if (Math.abs(scrap) > LEAST_MM) return scrap < 0;
  const moved = movedBy(a, p, q) + movedBy(b, q, p);
  if (moved !== 0) return moved < 0;
  return n * (q.rank - p.rank) > 0;
}

const waitsOn = ({ piece }: OnPiece): number => Number(piece.coming ?? false);

const opensOf = ({ piece }: OnPiece, cuts: number): number => Number(!piece.opened && cuts > 0);

const hasEnough = ({ piece }: OnPiece, mm: number, cuts: number, tailMm: number): boolean =>
  mm + Math.max(0, cuts - 1) * tailMm <= piece.freeMm;

function scrapOf({ piece }: OnPiece, mm: number, cuts: number, tailMm: number): number {
  const { freeMm, usableMm } = piece;
  if (cuts === 0 || freeMm < usableMm) return 0;
  const left = Math.max(0, freeMm - mm - cuts * tailMm);
  return left < usableMm ? left : 0;
}

/** How many more are off the piece they are booked on. */
const movedBy = ({ of }: Few, from: OnPiece, to: OnPiece): number =>
  of.reduce(
    (all, { isBooked: is }) => all + Number(is(to.piece.id) === false) - Number(is(from.piece.id) === false),
    0,
  );

/** Whether they may be cut there: not beside the other part of the same backing. */
const mayGo = ({ of }: Few, to: OnPiece, back: Few): boolean =>
  of.every(
    (one) =>
      one.fits(to.piece) && !to.lengths.some((other) => isJoinedTo(one, other) && !back.of.includes(other)),
  );

const isJoinedTo = (a: Length, b: Length): boolean => a.job === b.job && a.nth > 0 && b.nth > 0;

function go({ of, mm }: Few, from: OnPiece, to: OnPiece): void {
  from.lengths = from.lengths.filter((one) => !of.includes(one));
  to.lengths = [...to.lengths, ...of];
  from.mm -= mm;
  to.mm += mm;
  from.cuts -= of.length;
  to.cuts += of.length;
}

function placesOf({ jobs, pieces }: Stock, cuts: readonly JobCut[], ranks: Ranks): OnPiece[] {
  const taken = takenOf(cuts);
  const jobOf = new Map(jobs.map((job) => [job.id, job]));
  const lengths = new Map<string, Length[]>();
  const add = (job: CutJob, { piece, lengthMm }: CutOff, nth: number): void => {
    if (nth === 0 && matchOf(job) !== null) return;
    const what = nth === 0 ? 'main' : 'backing';
    const gives = nth === 0 ? givesMain : givesBacking;
    const one: Length = {
      job: job.id,
      nth,
      mm: lengthMm,
      isBooked: (id) => isBooked(job, what, id),
      fits: (to) => gives(to, job),
    };
    lengths.set(piece, [...(lengths.get(piece) ?? []), one]);
  };
  for (const { job: id, main, backing } of cuts) {
    const job = jobOf.get(id);
    if (job)
      [main, ...backing].forEach((off, nth) => {
        add(job, off, nth);
      });
  }
  return pieces.map((piece) => {
    const of = taken.get(piece.id) ?? { mm: 0, cuts: 0 };
    return {
      piece,
      rank: ranks.get(piece.id) ?? 0,
      mm: of.mm,
      cuts: of.cuts,
      lengths: lengths.get(piece.id) ?? [],
    };
  });
}

function byProduct(places: readonly OnPiece[]): Iterable<OnPiece[]> {
  const found = new Map<string, OnPiece[]>();
  for (const one of places) found.set(one.piece.product, [...(found.get(one.piece.product) ?? []), one]);
  return found.values();
}

function withPlaces(cuts: readonly JobCut[], places: readonly OnPiece[]): JobCut[] {
  const nameOf = (job: string, nth: number): string => `${job} ${String(nth)}`;
  const pieceOf = new Map(
    places.flatMap(({ piece, lengths }) => lengths.map(({ job, nth }) => [nameOf(job, nth), piece.id])),
  );
  const put = (job: string, off: CutOff, nth: number): CutOff => ({
    ...off,
    piece: pieceOf.get(nameOf(job, nth)) ?? off.piece,
  });
  return cuts.map(({ job, main, backing }) => ({
    job,
    main: put(job, main, 0),
    backing: backing.map((off, i) => put(job, off, i + 1)),
  }));
}
