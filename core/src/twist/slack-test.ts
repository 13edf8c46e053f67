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

/** Twist expected of the line on the spool, turns per metre, for the supply as it stands and turned over. */
export interface SlackExpected {
  readonly asLaidOut: number;
  readonly wrongWay: number;
}

export type SlackVerdict = 'as-laid-out' | 'wrong-way' | 'neither' | 'cannot-tell-yet';

/** What a slack test says. */
export interface SlackResult {
  readonly verdict: SlackVerdict;
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
/** A reading this many standard deviations off a prediction does not fit it. */
const FITS = 2;

/** Share of the final twist the free line carries after so many metres: 1 − e^(−l/span); 95 % after three spans. */
export const slackShare = (wound: number, span: number): number => 1 - Math.exp(-wound / span);

/** The handle turn at which a slack look falls due: when three spans are wound. */
export const slackLookDue = (perTurn: number, span = USUAL_SPAN): number => Math.ceil((3 * span) / perTurn);

/**
 * Judges a slack metre: as laid out, the supply the wrong way round, neither, or too early or too close to tell. The
 * sense of a ply is hard to see with wet hands, so magnitudes are compared.
 */
export function readSlackTest(reading: SlackReading, expected: SlackExpected): SlackResult {
  const measured = (2 * reading.plyTurns) / reading.pinched;
  const counting = (2 * PLY_SD) / reading.pinched;
  const share = slackShare(reading.wound, reading.span);
  const off = (prediction: number): number => {
    const now = Math.abs(prediction) * share;
    return Math.abs(measured - now) / Math.hypot(counting, PREDICTION_SD * now);
  };
  const right = off(expected.asLaidOut);
  const wrong = off(expected.wrongWay);
  const verdict = judge(right, wrong, share);
  return { verdict, measured, sd: counting, sentence: WORDS[verdict] };
}

function judge(right: number, wrong: number, share: number): SlackVerdict {
  if (share < 0.6 || (right <= FITS && wrong <= FITS)) return 'cannot-tell-yet';
  if (right <= FITS) return 'as-laid-out';
  return wrong <= FITS ? 'wrong-way' : 'neither';
}

const WORDS: Readonly<Record<SlackVerdict, string>> = {
  'as-laid-out': 'As laid out. Go on.',
  'wrong-way':
    'The supply is the wrong way round. Strip this layer, turn the supply over and begin it again.',
  neither:
    'Neither way fits. Look whether the drag slips, and whether the supply itself was wound over its end.',
  'cannot-tell-yet':
    'Too close to tell yet. Wind three spans, pinch two metres between cloth and reel, and count again.',
};
