/** A piece that line could be cut from. Lengths in mm. */
export interface StockPiece {
  /** Its code. */
  readonly id: string;
  readonly product: string;
  /** What nobody has been promised. */
  readonly freeMm: number;
  readonly opened: boolean;
  /** When it was opened, in any unit of time; none for what is sealed. */
  readonly openedAt: number | null;
  /** The shortest remnant of its product that is of use to anybody. */
  readonly usableMm: number;
  /** Its maker's lot; a piece without one is a lot of its own. */
  readonly lot?: string;
  /** Stripped line: good for backing only. */
  readonly backingOnly?: boolean;
  /** Wet already, where line is wound wet: it goes first. */
  readonly wet?: boolean;
  /** When it is there, in the unit of what is due: line on order, or that has to lie in the water first. */
  readonly readyAt?: number;
  /** Whether it is on order: nothing is cut from it before it comes. */
  readonly coming?: boolean;
}

/** What one spool wants cut. */
export interface CutJob {
  readonly id: string;
  /** One unbroken piece of main, between the least that is accepted and what is wanted. */
  readonly main: {
    readonly product: string;
    readonly wantedMm: number;
    readonly leastMm: number;
    /** The one piece somebody asks for. */
    readonly only?: string;
    /** The piece it is booked on. */
    readonly booked?: string;
  };
  readonly backing: CutBacking | null;
  /** Mains that match are cut from one lot: those of jobs with the same word here, of one product. */
  readonly match?: string;
  /** Its line has to be there by then, in the unit of when pieces are. */
  readonly due?: number;
}

/** Backing fills what is left: more of it where the main is shorter. */
export interface CutBacking {
  readonly product: string;
  /** With all of the main that is wanted. */
  readonly lengthMm: number;
  /** mm more of it for each mm less of main: the square of the ratio of their diameters. */
  readonly perMain: number;
  /** Whether it is not joined from two. */
  readonly onePiece: boolean;
  /** The one piece somebody asks for. */
  readonly only?: string;
  /** The piece it is booked on, and the second where it is joined. */
  readonly booked?: string;
  readonly bookedToo?: string;
}

/** What there is to cut, and from what. */
export interface Stock {
  readonly jobs: readonly CutJob[];
  readonly pieces: readonly StockPiece[];
  /** Lost with each cut but one that takes all there is. */
  readonly tailMm: number;
}

/** A length off a piece, mm. */
export interface CutOff {
  readonly piece: string;
  readonly lengthMm: number;
}

/** What one job is cut from; a job without it is not served. */
export interface JobCut {
  readonly job: string;
  readonly main: CutOff;
  /** From at most two pieces. */
  readonly backing: readonly CutOff[];
}

/** Backing is joined from pieces of at least so much, mm; common practice, no source. */
export const LEAST_JOINED_MM = 20_000;
/** Lengths nearer each other than this are the same to whoever winds them, mm. */
export const SAME_MM = 5;

/** How much backing a job needs with a main of some length, mm. */
export const backingFor = ({ main, backing }: CutJob, mainMm: number): number =>
  backing ? backing.lengthMm + backing.perMain * (main.wantedMm - mainMm) : 0;

/** Whether a job's main, or its backing, is booked on a piece; null where it is booked on none. */
export function isBooked({ main, backing }: CutJob, of: 'main' | 'backing', piece: string): boolean | null {
  const booked = of === 'main' ? [main.booked] : [backing?.booked, backing?.bookedToo];
  return booked[0] === undefined ? null : booked.includes(piece);
}

/** The lot of a piece. */
export const lotOf = ({ id, lot }: StockPiece): string => lot ?? id;

/** The mains that a job's own has to match; none where it may be of any lot. */
export const matchOf = ({ match, main }: CutJob): string | null =>
  match === undefined ? null : `${match} ${main.product}`;

const isAsked = (piece: StockPiece, only: string | undefined): boolean =>
  only === undefined || only === piece.id;

const isInTime = ({ readyAt = -Infinity }: StockPiece, { due = Infinity }: CutJob): boolean => readyAt <= due;

/** Whether a job's main may be cut from a piece, as far as it has enough. */
export const givesMain = (piece: StockPiece, job: CutJob): boolean =>
  piece.product === job.main.product &&
  piece.backingOnly !== true &&
  isAsked(piece, job.main.only) &&
  isInTime(piece, job);

/** Whether a job's backing may be. */
export const givesBacking = (piece: StockPiece, job: CutJob): boolean =>
  piece.product === job.backing?.product && isAsked(piece, job.backing.only) && isInTime(piece, job);
