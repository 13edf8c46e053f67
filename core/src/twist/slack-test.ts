import { bounded } from '../numeric/bounded';

/** A pinched loop as it was read between cloth and reel. */
export interface SlackReading {
  /** Metres pinched and let hang. */
  readonly pinched: number;
  /** Full turns the loop plied up; each is two turns of twist. Half turns count as 0.5. */
  readonly plyTurns: number;
  /** Metres wound before the look. */
  readonly wound: number;
  /** Free span between supply and reel, m. */
  readonly span: number;
}

/** What the layout puts into the line on the spool, turns per metre. */
export interface SlackExpected {
  /** With the supply as it was said to stand. */
  readonly asLaidOut: number;
  /** With it the other way round; null where it has none, on a spindle or in a tub. */
  readonly turnedOver: number | null;
  /** Whether a rotor winds: a slipping drag then adds twist. */
  readonly rotor: boolean;
}

/** What a reading leads to. The first three are good news. */
export type SlackVerdict = 'limp' | 'less' | 'as-laid-out' | 'wrong-way' | 'slipping' | 'dragging';

/** What a slack test says. */
export interface SlackResult {
  readonly verdict: SlackVerdict;
  /** Whether there is nothing to put right. */
  readonly good: boolean;
  /** Twist read, turns per metre, with one standard deviation of counting. */
  readonly measured: number;
  readonly sd: number;
  readonly sentence: string;
}

/** Free span of a bench nobody has measured, m. Asked once per bench. */
export const USUAL_SPAN = 1.5;
/** A ply count is off by half a turn more often than not: one standard deviation, in ply turns. From memory. */
const PLY_SD = 0.4;
/** Diameters in the prediction change while winding: share of the prediction, one standard deviation. */
const PREDICTION_SD = 0.08;
/** A reading this many standard deviations above a prediction is clearly above it. */
const CLEARLY = 2;
/** Up to this share of what the layout shows, or one turn a metre and its counting, line hangs limp. */
const LIMP = { share: 0.25, turns: 1 } as const;
/** Before this share of the final twist is there the look was early. */
const EARLY = 0.6;

/** Share of the final twist the free line carries after so many metres: 1 − e^(−l/span); 95 % after three spans. */
export const slackShare = (wound: number, span: number): number =>
  1 - Math.exp(-bounded(wound, 0, 20_000) / bounded(span, ...SPANS));

/** Free spans a bench can have, m. */
const SPANS = [0.05, 100] as const;

/** The handle turn at which a slack look falls due: when three spans are wound. */
export const slackLookDue = (perTurn: number, span = USUAL_SPAN): number =>
  Math.ceil((3 * bounded(span, ...SPANS)) / bounded(perTurn, 0.01, 100));

/**
 * Judges a slack metre. Line that hangs with no more twist than its layout puts in is good, however limp: it may be too
 * limp to show its twist, or was looked at early. Only a reading clearly above that leads anywhere: to the supply the
 * wrong way round where that would explain it, else to a slipping drag, else to a supply that drags. A layout that is
 * itself the worse way round, and shows more than the better one would, is said to be. Line that shows some of its
 * layout's twist is told as that, not as limp. The sense of a ply is hard to see with wet hands, so magnitudes
 * are compared.
 */
export function readSlackTest(reading: SlackReading, expected: SlackExpected): SlackResult {
  const pinched = bounded(reading.pinched, 0.05, 100);
  const measured = (2 * bounded(reading.plyTurns, 0, 10_000)) / pinched;
  const counting = (2 * PLY_SD) / pinched;
  const share = slackShare(reading.wound, reading.span);
  /** How far the reading lies above what a layout shows by now, in standard deviations. */
  const above = (prediction: number): number => {
    const now = Math.abs(prediction) * share;
    return (measured - now) / Math.hypot(counting, PREDICTION_SD * now);
  };
  const shown = Math.abs(expected.asLaidOut) * share;
  const limp = measured <= Math.max(LIMP.turns + counting, LIMP.share * shown);
  const verdict = judge(above, expected, limp);
  const good = verdict === 'limp' || verdict === 'less' || verdict === 'as-laid-out';
  const early = good && share < EARLY ? ' It was looked at early: look once more after three spans.' : '';
  return { verdict, good, measured, sd: counting, sentence: `${WORDS[verdict]}${early}` };
}

function judge(
  above: (prediction: number) => number,
  { asLaidOut, turnedOver, rotor }: SlackExpected,
  limp: boolean,
): SlackVerdict {
  const other = turnedOver ?? asLaidOut;
  const [less, more] = [asLaidOut, other].sort((a, b) => Math.abs(a) - Math.abs(b));
  const asItIs = above(asLaidOut) >= -CLEARLY ? 'as-laid-out' : limp ? 'limp' : 'less';
  if (above(less ?? 0) <= CLEARLY) return asItIs;
  // Clearly more than the better way round: it is the worse one if that is as much, whatever was said of it.
  const fitsWorse = turnedOver !== null && Math.abs(above(more ?? 0)) <= CLEARLY;
  if (fitsWorse) return 'wrong-way';
  // Less than this way round puts in, and clearly more than the other would: it is the worse one all the same.
  if (above(asLaidOut) <= CLEARLY) return 'wrong-way';
  return rotor ? 'slipping' : 'dragging';
}

const WORDS: Readonly<Record<SlackVerdict, string>> = {
  limp: 'Limp: nothing to put right. Go on.',
  less: 'Some twist, less than this layout puts in: as it should be. Go on.',
  'as-laid-out': 'As laid out. Go on.',
  'wrong-way':
    'The supply is the wrong way round. Strip this layer, turn the supply over and begin it again.',
  slipping:
    'More than this layout puts in. Look whether the drag slips: tighten it right down. Then whether the supply drags.',
  dragging:
    'More than this layout puts in. Look whether the supply turns freely, and is not pulled off its end.',
};
