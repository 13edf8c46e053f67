import { spreadOf, readingAt, spoolOf, type CounterVector } from './counter-model';
import { COUNTER_UNITS, metresPer, type CounterUnit } from './counter-unit';
import type { CounterFace } from './counter-beliefs';
import { readingSd, type CounterFit, type Walk } from './counter-fit';
import type { CounterSpool } from './paid-out';

/** What may be wrong with a walk that reads far from what was expected. */
export const DOUBT_CAUSES = [
  'other-unit',
  'not-moved',
  'wrong-way',
  'other-mark',
  'earlier-mark',
  'not-zeroed',
  'tension',
  'join',
] as const;
export type DoubtCause = (typeof DOUBT_CAUSES)[number];

/** A doubt, the question that settles it, and what to take the walk for where the answer is yes. */
export interface WalkDoubt {
  readonly cause: DoubtCause;
  readonly question: string;
  /** The walk as it is then; null where it has to be walked again. */
  readonly ifYes: Walk | null;
  /** What the counter shows then, where it is not what it was taken for. */
  readonly unit?: CounterUnit;
  /** Where an earlier walk is doubted: its place, and what it is then. */
  readonly earlier?: { readonly index: number; readonly tape: number };
}

/** A reading this many standard deviations off is asked about; one this near explains it. */
const ODD = 3.5;
const EXPLAINS = 2.5;
/** Off by up to this share, a different pull explains it. From memory. */
const PULL = 0.06;
/** Marks a foot goes to by mistake, in the tape's unit. */
const BESIDE = [1, 5, 10, 20, 25];

/** What was expected of a walk, and what it is judged with. */
export interface Expected {
  readonly spool: CounterSpool;
  readonly fit: CounterFit;
  readonly face: CounterFace;
  /** Walks before it. */
  readonly walks: readonly Walk[];
  /** What the tape is marked in. */
  readonly tapeUnit: CounterUnit;
  /** Metres out at which the join leaves the spool; null where it stays on. */
  readonly joinAt: number | null;
}

/**
 * Whether a walk reads as it can, by what was known before it; where not, what most likely happened, the likeliest first.
 * A reading nothing explains is asked about as one pulled harder or softer, or read wrongly.
 */
export function walkDoubts(walk: Walk, expected: Expected): WalkDoubt[] {
  if (Math.abs(distance(walk, expected)) <= ODD) return [];
  const fits = (read: Walk): boolean => Math.abs(distance(read, expected)) <= EXPLAINS;
  return [
    ...otherUnit(walk, expected, fits),
    ...lineMoved(walk, expected, fits),
    ...otherMark(walk, expected, fits),
    ...earlierMark(walk, expected),
    ...pastJoin(walk, expected),
    ...readWrongly(walk, expected),
  ];
}

type Fits = (read: Walk) => boolean;

/** A counter that shows another unit than it was taken for. */
const otherUnit = (walk: Walk, { face }: Expected, fits: Fits): WalkDoubt[] =>
  COUNTER_UNITS.filter((unit) => unit !== face.unit).flatMap((unit): WalkDoubt[] => {
    const reading = (walk.reading * metresPer(unit)) / metresPer(face.unit);
    if (!fits({ ...walk, reading })) return [];
    const question = `Does this counter show ${UNIT_WORDS[unit]}, not ${UNIT_WORDS[face.unit]}?`;
    return [{ cause: 'other-unit', question, ifYes: { ...walk, reading }, unit }];
  });

/** Line that was not moved as it was counted: not at all, or the other way. */
function lineMoved(walk: Walk, { walks }: Expected, fits: Fits): WalkDoubt[] {
  const last = walks.at(-1);
  if (!last || walk.moved === last.moved) return [];
  const [still, wrongWay] = [last.moved, 2 * last.moved - walk.moved].map((moved) => ({ ...walk, moved }));
  const did = walk.moved > last.moved ? 'taken off' : 'wound on';
  return [
    ...(still && fits(still)
      ? [
          {
            cause: 'not-moved' as const,
            question: 'It reads as before. Was no line moved after the last walk?',
            ifYes: still,
          },
        ]
      : []),
    ...(wrongWay && fits(wrongWay)
      ? [
          {
            cause: 'wrong-way' as const,
            question: `It went the wrong way. Was line ${did} instead?`,
            ifYes: wrongWay,
          },
        ]
      : []),
  ];
}

function otherMark(walk: Walk, expected: Expected, fits: Fits): WalkDoubt[] {
  const { tapeUnit } = expected;
  const mark = nearestMark(walk, expected, fits);
  if (mark === null) return [];
  return [
    {
      cause: 'other-mark',
      question: `Was the rod tip at the ${markWords(mark, tapeUnit)} mark?`,
      ifYes: { ...walk, tape: mark * metresPer(tapeUnit) },
    },
  ];
}

function pastJoin(walk: Walk, { joinAt, tapeUnit }: Expected): WalkDoubt[] {
  if (joinAt === null || joinAt >= walk.tape) return [];
  const at = markWords(joinAt / metresPer(tapeUnit), tapeUnit);
  const question = `Did the join run off the spool at about ${at}, so that the last of it came from the backing?`;
  return [{ cause: 'join', question, ifYes: walk }];
}

/** What cannot be put right afterwards: it is walked again. */
function readWrongly(walk: Walk, expected: Expected): WalkDoubt[] {
  const zero: WalkDoubt = {
    cause: 'not-zeroed',
    question: 'Did it stand at something else than 0 when you began to walk?',
    ifYes: null,
  };
  const pulled = Math.abs(walk.reading / middle(walk, expected) - 1) < PULL;
  const question = pulled
    ? 'Was it pulled harder or softer than the walk before?'
    : 'Was the counter or the mark read wrongly?';
  return [...(distance(walk, expected) > 0 ? [zero] : []), { cause: 'tension', question, ifYes: null }];
}

const UNIT_WORDS: Readonly<Record<CounterUnit, string>> = { ft: 'feet', m: 'metres', yd: 'yards' };
const markWords = (mark: number, unit: CounterUnit): string =>
  `${String(Math.round(mark * 10) / 10)} ${unit}`;

const middle = ({ tape, moved }: Walk, { spool, fit }: Expected): number =>
  readingAt(spoolOf(spool, fit.vector, moved), Math.exp(fit.vector[0]), tape);

/** How far a walk reads from what was expected, in standard deviations of both. */
function distance(walk: Walk, expected: Expected): number {
  const { spool, fit, face } = expected;
  const reading = (vector: CounterVector): number =>
    readingAt(spoolOf(spool, vector, walk.moved), Math.exp(vector[0]), walk.tape);
  const doubt = Math.hypot(spreadOf(reading, fit.vector, fit.covariance), readingSd(walk, face));
  return (walk.reading - reading(fit.vector)) / doubt;
}

/** Marks near one, the nearest first, in the tape's unit. */
const marksBeside = (at: number): number[] =>
  BESIDE.flatMap((by) => [Math.round(at) - by, Math.round(at) + by]).filter((mark) => mark > 0);

/** The nearest other mark that explains a reading, in the tape's unit. */
function nearestMark(walk: Walk, { tapeUnit }: Expected, fits: (read: Walk) => boolean): number | null {
  const at = walk.tape / metresPer(tapeUnit);
  const marks = marksBeside(at);
  return marks.find((mark) => fits({ ...walk, tape: mark * metresPer(tapeUnit) })) ?? null;
}

/** Whether the walk before was taken at another mark than it was said: then this one is right and that one is not. */
function earlierMark(walk: Walk, { walks, tapeUnit, spool, fit }: Expected): WalkDoubt[] {
  const index = walks.length - 1;
  const before = walks[index];
  if (!before) return [];
  // What this walk says a turn is worth tells what the earlier one should have read, and from which mark it came.
  const perTurn = walk.reading / readingAt(spoolOf(spool, fit.vector, walk.moved), 1, walk.tape);
  const at = before.tape / metresPer(tapeUnit);
  const mark = marksBeside(at).find((one) => {
    const reading = readingAt(spoolOf(spool, fit.vector, before.moved), perTurn, one * metresPer(tapeUnit));
    return Math.abs(reading - before.reading) <= 1.5;
  });
  if (mark === undefined) return [];
  const question = `Or was walk ${String(index + 1)} at the ${markWords(mark, tapeUnit)} mark, and this one is right?`;
  return [
    { cause: 'earlier-mark', question, ifYes: walk, earlier: { index, tape: mark * metresPer(tapeUnit) } },
  ];
}
