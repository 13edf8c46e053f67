import { layAdvice } from '../lay/lay-advice';
import { memoryAdvice } from '../advice/memory-advice';
import { USUAL_PLAN_RULES } from '../plan/plan-rules';
import { lengthOn, topLine } from '../record/lying';
import { REEL_TRAITS, type ReelType } from '../lines/reel-type';
import { message, type Words } from '../words/message';
import type { FaultCause } from './causes';
import type { FilledReel } from './filled-reel';
import { levelChange } from './level-change';
import { remedyKeyOf, type RemedyKey } from './remedy-keys';
import { FAILS, PLAIN_STEPS, WORK, type RemedyWork } from './remedy-words';

/** Line that comes off the top or goes on it, m: what it is booked and priced by. */
export interface RemedyLine {
  readonly how: 'off' | 'on';
  readonly metres: number;
}

/** What is done about a fault, worked out for the reel in hand. */
export interface FaultRemedy extends RemedyWork {
  readonly key: RemedyKey;
  /** What to do, in order. */
  readonly steps: readonly Words[];
  readonly line: RemedyLine | null;
  /** What to do where it does not work. */
  readonly fails: string;
}

/** Metres a bench winds in a minute, with the care a refill takes. Common practice, no source. */
const METRES_A_MINUTE = 40;

/**
 * What to do about a cause: metres, turns and depths from the fill as it lies, where it is on record; else how to find them.
 *
 * @param reel null for a reel without a record
 * @param gapRead depth of the line now where somebody measured it, mm; else as the record has it
 */
export function faultRemedy(
  cause: FaultCause,
  reel: FilledReel | null,
  gapRead: number | null = null,
): FaultRemedy {
  const key = remedyKeyOf(cause);
  const { by, minutes, leads, cautions } = WORK[key];
  const { steps, moved, line = null, refill = false } = workedOut(key, reel, gapRead);
  const besides = besidesFor(cause, reel?.type ?? null);
  const counts = cause === 'line-lost' && besides.length > 0;
  return {
    key,
    steps: [...steps, ...besides],
    by,
    minutes: Math.ceil(minutes + moved / METRES_A_MINUTE),
    line,
    leads: refill ? 'refill' : counts ? 'counter' : leads,
    fails: FAILS[key],
    cautions,
  };
}

/** What is worked out for a reel on record; elsewhere how to find it out. */
const workedOut = (key: RemedyKey, reel: FilledReel | null, gapRead: number | null): Worked =>
  (reel && reel.layers.length > 0 ? WORKED_OUT[key]?.(reel, gapRead) : undefined) ?? {
    steps: PLAIN_STEPS[key],
    moved: 0,
  };

/** What one cause asks for besides what it shares with others. */
function besidesFor(cause: FaultCause, type: ReelType | null): string[] {
  if (cause === 'swollen') return ['Soak this line before it is wound next time.'];
  return cause === 'line-lost' && type !== null && REEL_TRAITS[type].counter
    ? ['Or leave it so: its counter has a new table for the level it has now, without a walk.']
    : [];
}

interface Worked {
  readonly steps: readonly Words[];
  /** Metres that are wound or pulled for it. */
  readonly moved: number;
  readonly line?: RemedyLine;
  /** It is not worth mending: fill it again. */
  readonly refill?: boolean;
}

const { longCast, castsAboveJoin } = USUAL_PLAN_RULES;
/** A cast and a half, m. */
const LEAST_MAIN = longCast * castsAboveJoin;
/** Metres of nylon below braid on an arbor. Common practice, no source. */
const NYLON_BELOW = 10;

const topOf = ({ layers }: FilledReel): number => lengthOn(topLine(layers));

/** What is worked out from a fill; a remedy that is not here is the same on every reel. */
const WORKED_OUT: Partial<
  Record<RemedyKey, (reel: FilledReel, gapRead: number | null) => Worked | undefined>
> = {
  'take-off': (reel, gapRead) => {
    const change = levelChange(reel, gapRead ?? reel.gapNow);
    if (change?.how !== 'off') return undefined;
    const { metres, range, turns } = change;
    return {
      steps: [
        message('fault.take-off', { length: { m: metres }, turns }),
        message('fault.then-lies', { wanted: { mm: reel.wanted }, range: { m: range } }),
      ],
      moved: metres,
      line: { how: 'off', metres },
    };
  },
  'top-up': (reel, gapRead) => {
    const change = levelChange(reel, gapRead ?? reel.gapNow);
    if (change?.how !== 'on') return undefined;
    const { metres, range, turns, name } = change;
    // A join within a cast and a half of the end goes through the rings at each cast.
    if (metres < LEAST_MAIN && reel.type !== 'trolling' && reel.type !== 'big-game')
      return {
        steps: [message('fault.top-up-deep', { left: { m: topOf(reel) }, line: name })],
        moved: topOf(reel) + metres,
        refill: true,
      };
    return {
      steps: [
        message('fault.top-up', { length: { m: metres }, line: name, turns }),
        message('fault.then-lies', { wanted: { mm: reel.wanted }, range: { m: range } }),
      ],
      moved: metres,
      line: { how: 'on', metres },
    };
  },
  'walk-out': (reel) => ({
    steps: [message('fault.walk-out', { length: { m: topOf(reel) } }), ...PLAIN_STEPS['walk-out'].slice(1)],
    moved: 2 * topOf(reel),
  }),
  'wind-again': (reel) => ({
    steps: [
      message('fault.wind-again', { length: { m: topOf(reel) } }),
      ...PLAIN_STEPS['wind-again'].slice(1),
    ],
    moved: 2 * topOf(reel),
  }),
  'pull-out': (reel) => {
    const length = Math.min(topOf(reel), LEAST_MAIN);
    return { steps: [message('fault.pull-out', { length: { m: length } })], moved: 2 * length };
  },
  grip: (reel) => {
    const length = lengthOn(reel.layers);
    return {
      steps: [message('fault.grip', { length: { m: length }, nylon: { m: NYLON_BELOW } })],
      moved: 2 * length,
    };
  },
  'longer-main': (reel) => ({
    steps: [
      message('fault.longer-main', { least: { m: LEAST_MAIN } }),
      ...PLAIN_STEPS['longer-main'].slice(1),
    ],
    moved: topOf(reel),
  }),
  washer: ({ lays, layers, rules }) => {
    const last = lays.at(-1);
    const top = layers.at(-1);
    // What was read before a washer was moved says nothing of the lay since.
    if (last?.did !== 'leave' || !top) return undefined;
    const { action, sentence } = layAdvice(last, top.line.diameter, rules);
    return action === 'leave' ? undefined : { steps: [sentence, ...PLAIN_STEPS.washer.slice(1)], moved: 0 };
  },
  relax: ({ layers, rules }) => {
    const material = layers.at(-1)?.line.material;
    const advice = material && memoryAdvice(material, rules);
    return advice ? { steps: [advice.sentence, ...PLAIN_STEPS.relax.slice(1)], moved: 0 } : undefined;
  },
  'other-backing': (reel) => ({ steps: PLAIN_STEPS['other-backing'], moved: 2 * lengthOn(reel.layers) }),
  refill: (reel) => ({ steps: PLAIN_STEPS.refill, moved: topOf(reel) }),
  'less-drag': ({ rules }) => ({
    steps: [
      message('fault.drag', { share: rules.drag === 'third' ? 'a third' : 'a quarter' }),
      ...PLAIN_STEPS['less-drag'].slice(1),
    ],
    moved: 0,
  }),
};
