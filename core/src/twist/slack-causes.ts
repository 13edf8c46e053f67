import { bounded } from '../numeric/bounded';

/** How a reading of twist came about: what the bench can do something about. */
export type SlackCause = 'fine' | 'wrong-way' | 'slipping' | 'dragging';

/** What a reading leads to. The first three are good news; the last says how to look again. */
export type SlackVerdict = 'limp' | 'less' | 'as-laid-out' | 'wrong-way' | 'slipping' | 'dragging' | 'unsure';

/** What the layout puts into the line on the spool, turns per metre. */
export interface SlackExpected {
  /** With the supply as it was said to stand. */
  readonly asLaidOut: number;
  /** With it the other way round; null where it has none, on a spindle or in a tub. */
  readonly turnedOver: number | null;
  /** Whether a rotor winds: a slipping drag then adds twist. */
  readonly rotor: boolean;
  /** What a coil pulled over the supply’s end puts in. */
  readonly supplyCoil: number;
}

/** A reading, as the causes are weighed by it. */
export interface SlackMeasured {
  /** Turns per metre, with one standard deviation of counting. */
  readonly measured: number;
  readonly sd: number;
  /** Share of the final twist the free line carries by now, with one standard deviation. */
  readonly share: number;
  readonly shareSd: number;
  /** Braid is limp in twist and often shows less than it carries. */
  readonly braid: boolean;
}

// How often each comes about before anything was read. Common practice, no source.
/** The two turns of the clock were seen right. */
const SEEN_RIGHT = 0.9;
const DRAG_SLIPS = 0.07;
const SUPPLY_DRAGS = 0.03;
/** Of line that shows its whole twist, and of line too limp or too wet to: at any share of it. From memory. */
const SHOWS_ALL = { solid: 0.85, braid: 0.4 } as const;
/** Slipped turns to a turn laid: exponential with this mean, a tenth at least. From memory. */
const SLIPS = { mean: 0.4, least: 0.1, most: 4, step: 0.1 } as const;
/** Diameters in the prediction change while winding: share of the prediction, one standard deviation. */
export const PREDICTION_SD = 0.08;
/** Layouts whose twist differs by less than this, turns per metre, are one. */
const ONE = 1.5;
/** Twist beyond any a bench can make, turns per metre. */
const MOST = 1_000;

interface Account {
  readonly cause: SlackCause;
  readonly prior: number;
  /** Twist on the spool, turns per metre, each with its weight. */
  readonly twists: readonly (readonly [number, number])[];
}

/**
 * How likely each cause is after a reading, most likely first; they add up to one. Each account of the bench (the supply as
 * it was said to stand or the other way round, the drag holding or slipping, the supply running or dragging) predicts a
 * twist with its spread; the line shows all of it, or any share of it where it is too limp. Magnitudes only: the sense of a
 * ply is hard to see with wet hands.
 */
export function slackCauses(
  seen: SlackMeasured,
  expected: SlackExpected,
): readonly { cause: SlackCause; share: number }[] {
  const shares = sharesShown(seen.braid);
  const weights = accounts(expected).flatMap(({ cause, prior, twists }) =>
    twists.flatMap(([twist, weight]) =>
      shares.map(([shown, often]) => ({
        cause,
        log: Math.log(prior * weight * often) + logDensity(seen, Math.abs(twist) * shown),
      })),
    ),
  );
  const top = Math.max(...weights.map(({ log }) => log));
  const of = (cause: SlackCause): number =>
    weights.reduce((sum, one) => sum + (one.cause === cause ? Math.exp(one.log - top) : 0), 0);
  const each = CAUSES.map((cause) => ({ cause, share: of(cause) }));
  const total = each.reduce((sum, { share }) => sum + share, 0);
  return each.map(({ cause, share }) => ({ cause, share: share / total })).sort((a, b) => b.share - a.share);
}

const CAUSES: readonly SlackCause[] = ['fine', 'wrong-way', 'slipping', 'dragging'];

function logDensity({ measured, sd, share, shareSd }: SlackMeasured, twist: number): number {
  const spread = Math.hypot(sd, PREDICTION_SD * twist * share, twist * shareSd);
  return -0.5 * ((measured - twist * share) / spread) ** 2 - Math.log(spread);
}

/** Shares of its twist a line can show, each with how often. */
function sharesShown(braid: boolean): readonly (readonly [number, number])[] {
  const all = braid ? SHOWS_ALL.braid : SHOWS_ALL.solid;
  const less = [0.05, 0.15, 0.25, 0.35, 0.45, 0.55, 0.65, 0.75, 0.85, 0.95];
  return [[1, all], ...less.map((share) => [share, (1 - all) / less.length] as const)];
}

function accounts(expected: SlackExpected): readonly Account[] {
  const said = bounded(expected.asLaidOut, -MOST, MOST);
  const other = bounded(expected.turnedOver ?? said, -MOST, MOST);
  const apart = Math.abs(Math.abs(said) - Math.abs(other)) >= ONE;
  const ways = apart
    ? [
        { twist: said, prior: SEEN_RIGHT },
        { twist: other, prior: 1 - SEEN_RIGHT },
      ]
    : [{ twist: said, prior: 1 }];
  const least = Math.min(Math.abs(said), Math.abs(other));
  // What the rotor puts in: half the sum of the two ways round.
  const rotor = (said + other) / 2;
  const coil = Math.abs(bounded(expected.supplyCoil, -MOST, MOST));
  const slips = expected.rotor ? DRAG_SLIPS : 0;
  // A supply whose line comes over its end, or on a rig, has no coil to let go of besides.
  const drags = expected.turnedOver === null && coil > 0 ? SUPPLY_DRAGS : 0;
  return ways.flatMap(({ twist, prior }) => {
    const worse = apart && Math.abs(twist) > least;
    const named = (cause: SlackCause): SlackCause => (worse ? 'wrong-way' : cause);
    return [
      { cause: named('fine'), prior: prior * (1 - slips - drags), twists: [[twist, 1]] as const },
      ...(slips > 0
        ? [{ cause: named('slipping'), prior: prior * slips, twists: slipped(twist, rotor) }]
        : []),
      ...(drags > 0
        ? [{ cause: named('dragging'), prior: prior * drags, twists: dragged(twist, coil) }]
        : []),
    ];
  });
}

/** A slipped turn of the rotor adds one more of the rotor’s sense. */
function slipped(twist: number, rotor: number): readonly (readonly [number, number])[] {
  const { mean, least, most, step } = SLIPS;
  const counts = Array.from({ length: Math.round((most - least) / step) + 1 }, (_, k) => least + k * step);
  const each = counts.map((slips) => [twist + slips * rotor, Math.exp(-slips / mean)] as const);
  const total = each.reduce((sum, [, weight]) => sum + weight, 0);
  return each.map(([to, weight]) => [to, weight / total] as const);
}

/** A supply that does not turn lets some of its coils over its end; where they take twist out there is nothing to put right. */
function dragged(twist: number, coil: number): readonly (readonly [number, number])[] {
  const shares = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];
  return shares.map((share) => [Math.abs(twist) + share * coil, 1 / shares.length] as const);
}
