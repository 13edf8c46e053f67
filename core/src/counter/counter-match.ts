import { message, type Words } from '../words/message';
import { fail, succeed, type Issue, type Result } from '../issue';
import { ranged, type Ranged } from '../numeric/ranged';
import { lengthBetween, turnsBetween } from '../winding/winding';
import { UNKNOWN_SPOOL, type CounterBelief, type CounterFace, type SpoolSpread } from './counter-beliefs';
import { fitCounter, usualBelief, type CounterFit, type Walk } from './counter-fit';
import { FARTHEST, levelFor, readingAt, spoolOf, spreadOf, type CounterVector } from './counter-model';
import { metresPer } from './counter-unit';
import { outOfReach, pastTheLip, type Limits, type OutOfReach } from './out-of-reach';
import { topLength, type CounterSpool } from './paid-out';
import { checkOf, SAME_LEVEL, walksAgain, type CounterVerdict, type WalkCheck } from './walk-check';

/** A reel whose counter is to read a length truly, and the walks there were. */
export interface CounterRequest {
  readonly face: CounterFace;
  /** The length at which it is to read true, m. */
  readonly match: number;
  /** The spool as it was at the first walk; null where nothing is known of it. */
  readonly spool: CounterSpool | null;
  readonly spread?: SpoolSpread;
  /** What this reel's or its kind's earlier walks taught. */
  readonly belief?: CounterBelief;
  readonly walks: readonly Walk[];
  /** Metres wound on by now since the first walk, taken off where below zero. */
  readonly moved: number;
  readonly limits?: Limits;
  /** Metres of its main that still reach the lip by what is known of the fill; no more is ever asked for. */
  readonly room?: number;
}

/** Where a counter stands and what to do about it. */
export interface CounterMatch {
  /** What to do now: walk, wind on, take off, or cut; or that no level on this spool makes it agree. */
  readonly verdict: CounterVerdict;
  /** What would make the last walk surer; where that is one more reading at the mark, the verdict is to walk. */
  readonly check: WalkCheck | null;
  /** Where it is to be checked half way: that length, m, and what the counter is to show there; null where it is not. */
  readonly halfWay: { readonly tape: number; readonly expected: number } | null;
  /** Counter units to one spool turn, and what that rests on. */
  readonly perTurn: Ranged;
  readonly from: CounterBelief['from'] | 'walks';
  /** What the counter is to show at the match length, and what it would show there now. */
  readonly wanted: number;
  readonly expected: Ranged;
  /** Metres still to wind on, below zero to take off; and the same as spool turns. */
  readonly move: Ranged;
  readonly spoolTurns: number;
  /** Metres of line one counter unit is worth at this length. */
  readonly slope: number;
  /** Depth of the surface below the lip where the counter agrees, mm; null where no level does. */
  readonly depth: Ranged | null;
  /** Why it cannot be matched at this length on this main; null where it can. */
  readonly reach: OutOfReach | null;
  /** Metres out at which the join to the layer below leaves the spool, where that is before the mark; else null. */
  readonly joinAt: number | null;
  /** Whether the spool is not known, so that its size was assumed. */
  readonly assumed: boolean;
  readonly fit: CounterFit;
  /** The spool the fit stands for, at the first walk's level, and as it is now. */
  readonly spool: CounterSpool;
}

/** A counter agrees within one foot to a hundred: what a whole-foot counter can show. Common practice, no source. */
const toleranceAt = (match: number): number => Math.max(metresPer('ft'), 0.01 * match);
/** Believed this much nearer than it has to be, it mostly is as near as it has to be: readings have their own doubt. */
const SURE = 0.85;
/** A correction this near is done: less than half a turn on any reel, m. */
const DONE = 0.05;

/**
 * Matches a counter to a tape. Reads high: the spool works too small for its counter, line goes on. Reads low: line comes
 * off. One walk finds what a turn is worth; geometry, a learned counter, or earlier walks say how much line moves it.
 *
 * @returns issues where the request cannot be: lengths and readings that are none, no line on the spool
 */
export function counterMatch(request: CounterRequest): Result<CounterMatch> {
  const wrong = checkRequest(request);
  if (wrong) return fail(wrong);
  const { face, match, walks, moved } = request;
  const assumed = request.spool === null;
  const believed = request.spool ?? UNKNOWN_SPOOL.spool;
  const spread = assumed ? UNKNOWN_SPOOL.spread : (request.spread ?? NO_SPREAD);
  const belief = request.belief ?? usualBelief(believed, match, face.unit);
  const fit = fitCounter(believed, spread, belief, walks, face);
  if (!fit) return fail(NOTHING_FITS);
  const wanted = match / metresPer(face.unit);
  const figure = (of: (spool: CounterSpool, perTurn: number) => number): Ranged => {
    const at = (vector: CounterVector): number => of(spoolOf(believed, vector, moved), Math.exp(vector[0]));
    return ranged(at(fit.vector), spreadOf(at, fit.vector, fit.covariance));
  };
  const now = spoolOf(believed, fit.vector, moved);
  const perTurn = Math.exp(fit.vector[0]);
  const expected = figure((spool, c) => readingAt(spool, c, match));
  const target = { length: match, reading: wanted };
  const most = FARTHEST * now.lip;
  const levelOf = (spool: CounterSpool, c: number): number => levelFor(spool, c, target, most) ?? spool.outer;
  const level = levelFor(now, perTurn, target, most);
  const metres = (spool: CounterSpool, c: number): number => metresTo(spool, levelOf(spool, c));
  const move = figure(metres);
  const reach = assumed ? null : reachOf(request, now, perTurn, move.value);
  const off = expected.value - wanted;
  const inReach = level !== null && reach === null;
  const judged = verdictOf({ walks, moved, move: move.value, off, match, unit: face.unit, inReach });
  const near = { off, sd: expected.sd, tolerance: toleranceAt(match) };
  const check = checkOf({ verdict: judged, walks, from: belief.from, face, match }, near);
  return succeed({
    verdict: walksAgain(check) ? 'walk' : judged,
    check,
    halfWay: halfWayOf(check, now, { perTurn, match }),
    perTurn: ranged(perTurn, perTurn * Math.sqrt(fit.covariance[0]?.[0] ?? 0)),
    from: walks.length > 0 ? 'walks' : belief.from,
    wanted,
    expected,
    move,
    spoolTurns: turnsTo(now, levelOf(now, perTurn)),
    slope: slopeAt(now, perTurn, match),
    depth: level === null ? null : figure((spool, c) => spool.lip - levelOf(spool, c)),
    reach,
    joinAt: joinBefore(now, match),
    assumed,
    fit,
    spool: now,
  });
}

const halfWayOf = (
  check: WalkCheck | null,
  spool: CounterSpool,
  { perTurn, match }: { readonly perTurn: number; readonly match: number },
): CounterMatch['halfWay'] =>
  check === 'half-way' ? { tape: match / 2, expected: readingAt(spool, perTurn, match / 2) } : null;

/** Why a counter cannot be matched: by its level, or because more line is asked for than still goes on. */
function reachOf(
  request: CounterRequest,
  now: CounterSpool,
  perTurn: number,
  move: number,
): OutOfReach | null {
  const asked = { match: request.match, unit: request.face.unit };
  const found = outOfReach(now, perTurn, asked, request.limits);
  const tooMuch = request.room !== undefined && move > request.room;
  return found ?? (tooMuch ? pastTheLip(now, perTurn, asked, request) : null);
}

const NO_SPREAD: SpoolSpread = { surface: 0, ratio: 0 };

const metresTo = ({ width, outer, layers: [top] }: CounterSpool, level: number): number =>
  top ? lengthBetween(width, outer, level, top.area) : 0;
const turnsTo = ({ width, outer, layers: [top] }: CounterSpool, level: number): number =>
  top ? turnsBetween(width, outer, level, top.area) : 0;

/** Metres of line one unit of the counter is worth: what half a metre more would make it read less. */
function slopeAt(spool: CounterSpool, perTurn: number, match: number): number {
  const [top] = spool.layers;
  if (!top) return 0;
  const reading = (by: number): number => readingAt({ ...spool, outer: spool.outer + by }, perTurn, match);
  const step = 0.01;
  const perRadius = (reading(step) - reading(-step)) / (2 * step);
  const metresPerRadius = (2 * Math.PI * spool.width * spool.outer) / (1000 * top.area);
  return perRadius === 0 ? 0 : -metresPerRadius / perRadius;
}

const joinBefore = (spool: CounterSpool, match: number): number | null => {
  const top = topLength(spool);
  return spool.layers.length > 1 && top < match ? top : null;
};

function verdictOf({
  walks,
  moved,
  move,
  off,
  match,
  unit,
  inReach,
}: Pick<CounterRequest, 'walks' | 'moved' | 'match'> & {
  readonly move: number;
  readonly off: number;
  readonly inReach: boolean;
  readonly unit: CounterFace['unit'];
}): CounterVerdict {
  const last = walks.at(-1);
  if (!last) return 'walk';
  const here = Math.abs(moved - last.moved) <= SAME_LEVEL;
  // Near enough by what is believed: only another walk can tell.
  if (Math.abs(off) * metresPer(unit) <= SURE * toleranceAt(match)) return here ? 'agrees' : 'walk';
  if (!inReach) return 'out-of-reach';
  if (Math.abs(move) <= DONE) return 'walk';
  return move > 0 ? 'add' : 'take-off';
}

/** What lengths and readings of a walk can be: m, and counter units. */
export const WALK_RANGE = { tape: [5, 300], reading: [1, 2000], moved: [-2000, 2000] } as const;

const within = (value: number, [least, most]: readonly [number, number]): boolean =>
  value >= least && value <= most;

type Check = readonly [sound: boolean, sentence: Words, at: string];

function checkRequest({ face, match, spool, walks, moved }: CounterRequest): Issue | null {
  const checks: readonly Check[] = [
    [
      within(match, WALK_RANGE.tape),
      message('counter.match-range', { range: { m: WALK_RANGE.tape } }),
      'match',
    ],
    [face.step > 0 && face.step <= 10, 'A counter counts in steps of up to 10.', 'step'],
    [
      within(moved, WALK_RANGE.moved),
      message('limit.within-m', { what: 'Line moved', most: { m: WALK_RANGE.moved[1] } }),
      'moved',
    ],
    ...walks.flatMap((walk): Check[] => [
      [
        within(walk.tape, WALK_RANGE.tape),
        message('counter.walk-range', { range: { m: WALK_RANGE.tape } }),
        'tape',
      ],
      [
        within(walk.reading, WALK_RANGE.reading),
        'The counter’s reading at the mark is from 1 to 2,000.',
        'reading',
      ],
      [
        within(walk.moved, WALK_RANGE.moved),
        message('limit.within-m', { what: 'Line moved', most: { m: WALK_RANGE.moved[1] } }),
        'moved',
      ],
    ]),
    [spool === null || isWound(spool), 'There is no line on the spool to walk out.', 'spool'],
  ];
  const wrong = checks.find(([sound]) => !sound);
  return wrong
    ? { code: 'observation-out-of-range', severity: 'error', sentence: wrong[1], at: wrong[2] }
    : null;
}

const isWound = ({ outer, width, layers: [top] }: CounterSpool): boolean =>
  top !== undefined && outer > top.inner && top.inner > 0 && top.area > 0 && width > 0;

const NOTHING_FITS: Issue = {
  code: 'observation-out-of-range',
  severity: 'error',
  sentence: 'These walks fit no spool. Look at each again.',
  at: 'walks',
};
