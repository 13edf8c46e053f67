import { bounded } from '../numeric/bounded';
import {
  PREDICTION_SD,
  slackCauses,
  type SlackCause,
  type SlackExpected,
  type SlackVerdict,
} from './slack-causes';
import { lookSo, SLACK_WORDS } from './slack-words';

export type { SlackExpected, SlackVerdict } from './slack-causes';

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
  /** Whether the line is braided. */
  readonly braid?: boolean;
}

/** What a slack test says. */
export interface SlackResult {
  readonly verdict: SlackVerdict;
  /** Whether there is nothing to put right. */
  readonly good: boolean;
  /** How sure the verdict is, 0 to 1; where it is none, of the likeliest cause. */
  readonly sure: number;
  /** Twist read, turns per metre, with one standard deviation of counting. */
  readonly measured: number;
  readonly sd: number;
  readonly sentence: string;
}

/** Free span of a bench nobody has measured, m. Asked once per bench. */
export const USUAL_SPAN = 1.5;
/** A span is known this well, as a share of it: one standard deviation. From memory. */
const SPAN_SD = 0.15;
/** A ply count is off by half a turn more often than not: one standard deviation, in ply turns. From memory. */
const PLY_SD = 0.4;
/** A cause this likely is told as what it is. */
const COMMITS = 0.83;
/** Up to this many turns of the loop the line hangs limp. */
const FEW = 1;
/** Below the layout’s own by this many standard deviations, line shows less than it. */
const CLEARLY = 2;
/** Before this share of the final twist is there the look was early. */
const EARLY = 0.6;

/** Share of the final twist the free line carries after so many metres: 1 − e^(−l/span); 95 % after three spans. */
export const slackShare = (wound: number, span: number): number => 1 - Math.exp(-spansWound(wound, span));

const spansWound = (wound: number, span: number): number =>
  bounded(wound, 0, 20_000) / bounded(span, ...SPANS);

/** Free spans a bench can have, m. */
const SPANS = [0.05, 100] as const;

/** The handle turn at which a slack look falls due: when three spans are wound. */
export const slackLookDue = (perTurn: number, span = USUAL_SPAN): number =>
  Math.ceil((3 * bounded(span, ...SPANS)) / bounded(perTurn, 0.01, 100));

/**
 * Judges a slack metre by how likely each cause makes the reading (`slackCauses`). Line that hangs with no more twist than
 * its layout puts in is good, however limp: it may be too limp to show its twist, or was looked at early. A fault is named
 * where it is likely enough; where two causes stand, it says so and which look tells them apart.
 */
export function readSlackTest(reading: SlackReading, expected: SlackExpected): SlackResult {
  const pinched = bounded(reading.pinched, 0.05, 100);
  const plyTurns = bounded(reading.plyTurns, 0, 10_000);
  const measured = (2 * plyTurns) / pinched;
  const sd = (2 * PLY_SD) / pinched;
  const share = slackShare(reading.wound, reading.span);
  const shareSd = SPAN_SD * spansWound(reading.wound, reading.span) * (1 - share);
  const causes = slackCauses({ measured, sd, share, shareSd, braid: reading.braid === true }, expected);
  const early = share < EARLY ? ' It was looked at early: look once more after three spans.' : '';
  const [first, second] = causes;
  const likely = first?.cause ?? 'fine';
  const sure = first?.share ?? 0;
  // Line that shows no more than its better way puts in is never called a fault, whatever was seen of the turns.
  const other = Math.abs(expected.turnedOver ?? expected.asLaidOut);
  const limp = measured <= Math.min(Math.abs(expected.asLaidOut), other) * share;
  if (sure < COMMITS || (limp && likely !== 'fine'))
    return {
      verdict: 'unsure',
      good: false,
      sure,
      measured,
      sd,
      sentence: `${lookSo(likely, second?.cause ?? 'fine')}${early}`,
    };
  const shown = Math.abs(expected.asLaidOut) * share;
  const below = shown - measured > CLEARLY * Math.hypot(sd, PREDICTION_SD * shown);
  const verdict = named(likely, below, plyTurns);
  const good = likely === 'fine';
  return { verdict, good, sure, measured, sd, sentence: `${SLACK_WORDS[verdict]}${good ? early : ''}` };
}

/** Good news by how much of its layout’s twist the line shows; a fault by its own name. */
function named(cause: SlackCause, below: boolean, plyTurns: number): Exclude<SlackVerdict, 'unsure'> {
  if (cause !== 'fine') return cause;
  if (!below) return 'as-laid-out';
  return plyTurns <= FEW ? 'limp' : 'less';
}
