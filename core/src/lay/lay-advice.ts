import { message, type Words } from '../words/message';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';

/** Depths below one lip reference, mm. A smaller depth means line stands higher there. */
export interface LayReading {
  readonly rear: number;
  readonly front: number;
  readonly centre?: number;
}

export type LayShape = 'level' | 'front-high' | 'rear-high' | 'barrel' | 'hollow';
export type WasherAction = 'leave' | 'add-washer' | 'take-washer-out';

/** What was done after an earlier reading of the same reel. */
export interface LayBefore {
  readonly reading: LayReading;
  readonly action: WasherAction;
}

/** What a lay looks like and what to do about it. */
export interface LayAdvice {
  readonly shape: LayShape;
  readonly action: WasherAction;
  /** This reel's seat works the other way round: a washer moves the lay to the front. Remembered per reel. */
  readonly seatReversed: boolean;
  readonly sentence: Words;
  readonly why: string;
}

/** What is remembered of a reel between looks. */
export interface LayMemory {
  readonly before?: LayBefore;
  readonly seatReversed?: boolean;
}

/** Metres after which to look again. Common practice, no source. */
export const LOOK_AGAIN_AFTER = 140;

/**
 * Judges the lay from depths at rear and front (and centre). A washer under the spool moves it forward, so that line
 * falls further to the rear: front high wants one more, rear high one less. Where the last change made it worse, this
 * reel's seat works the other way, and the advice turns round and says so.
 *
 * A shop that corrects only after fishing is told what it sees and leaves the washers alone.
 *
 * @param diameter of the line, mm: one diameter or 0.3 mm, whichever is more, counts as level
 */
export function layAdvice(
  reading: LayReading,
  diameter: number,
  rules: Pick<HouseRules, 'washers'>,
  { before, seatReversed = false }: LayMemory = {},
): LayAdvice {
  const tolerance = Math.max(0.3, diameter);
  const shape = shapeOf(reading, tolerance);
  const reversed = before && gotWorse(reading, before, tolerance) ? !seatReversed : seatReversed;
  const wait = rules.washers === 'after-fishing' && before === undefined;
  const action = wait ? 'leave' : actionFor(shape, reversed);
  return {
    shape,
    action,
    seatReversed: reversed,
    sentence: sentenceFor(shape, action, reversed !== seatReversed),
    why: schoolOf(rules, 'washers').why,
  };
}

function shapeOf({ rear, front, centre }: LayReading, tolerance: number): LayShape {
  if (rear - front > tolerance) return 'front-high';
  if (front - rear > tolerance) return 'rear-high';
  const edges = (rear + front) / 2;
  if (centre !== undefined && edges - centre > tolerance) return 'barrel';
  return centre !== undefined && centre - edges > tolerance ? 'hollow' : 'level';
}

/** A change that left the slope the same way and steeper did the opposite of what it was meant to. */
function gotWorse(now: LayReading, before: LayBefore, tolerance: number): boolean {
  const slope = now.rear - now.front;
  const earlier = before.reading.rear - before.reading.front;
  return (
    before.action !== 'leave' &&
    Math.sign(slope) === Math.sign(earlier) &&
    Math.abs(slope) > Math.abs(earlier) + tolerance / 3
  );
}

function actionFor(shape: LayShape, reversed: boolean): WasherAction {
  if (shape !== 'front-high' && shape !== 'rear-high') return 'leave';
  return (shape === 'front-high') === reversed ? 'take-washer-out' : 'add-washer';
}

const SHAPES: Readonly<Record<LayShape, string>> = {
  level: 'Level. Leave the washers as they are.',
  'front-high': 'Front high.',
  'rear-high': 'Rear high.',
  barrel: 'High in the middle. Washers cannot mend that; wind with steadier tension.',
  hollow: 'Low in the middle. Washers cannot mend that; look at the line guide and the tension.',
};
const CODES = { 'add-washer': 'lay.add-washer', 'take-washer-out': 'lay.take-washer-out' } as const;

function sentenceFor(shape: LayShape, action: WasherAction, turned: boolean): Words {
  const looks = shape === 'front-high' || shape === 'rear-high';
  const seen = [
    SHAPES[shape],
    ...(action === 'leave' && looks ? ['Look again after it was fished.'] : []),
    ...(turned ? ['The last change made it worse: this reel’s seat works the other way.'] : []),
  ].join(' ');
  return action === 'leave' ? seen : message(CODES[action], { seen, after: { m: LOOK_AGAIN_AFTER } });
}
