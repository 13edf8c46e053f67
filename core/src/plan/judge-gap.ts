import type { Ranged } from '../numeric/ranged';
import type { FillPlan, PlanIssue } from './fill-plan';
import type { FillRequest } from './fill-request';
import { message, type Words } from '../words/message';

/** How far a fill whose layers all have their amounts may end from the house's own gap before that is said, mm. From memory. */
const OFF = { full: 0.8, low: 1.6 } as const;

/** What is told as nothing in the reader's own steps. */
const NOTHING = /^0(?:\.0+)?[ \u00a0]/;

/** What is less than this is told as nothing, mm. */
export const FLUSH = 0.05;

/** A depth in words: below the lip, flush with it, or proud of it. mm */
function level(depth: number): Words {
  if (Math.abs(depth) < FLUSH) return FLUSH_WORDS;
  return depth < 0
    ? message('level.proud', { depth: { mm: -depth } })
    : message('level.below', { depth: { mm: depth } });
}

const FLUSH_WORDS = 'flush with the lip';

/**
 * A depth in words, where what is less than the reader's own steps is flush. mm
 *
 * @param small writes it in the reader's own units
 */
export function levelWords(depth: number, small: (millimetres: number) => string): string {
  if (Math.abs(depth) < FLUSH || NOTHING.test(small(Math.abs(depth)))) return FLUSH_WORDS;
  return depth < 0 ? `${small(-depth)} proud of the lip` : `${small(depth)} below the lip`;
}

/** A depth beside its mark on a drawing: `2.4 mm stop`, or how far it stands above the lip, `2.5 mm proud`. mm */
export const markWords = (depth: number, what: string, small: (millimetres: number) => string): string =>
  depth < -FLUSH ? `${small(-depth)} proud` : `${small(Math.max(0, depth))} ${what}`;

/** A range of depths in words; where it reaches past the lip both ends say where they stand. mm */
export function levelRange({ low, high }: Pick<Ranged, 'low' | 'high'>): Words {
  if (low < 0 && high >= 0) return message('level.both', { low: level(low), high: level(high) });
  return low < 0
    ? message('level.from-proud', { depth: { mm: [-high, -low] } })
    : message('level.from-below', { depth: { mm: [low, high] } });
}

const caution = (code: PlanIssue['code'], sentence: Words, values: PlanIssue['values']): PlanIssue => ({
  code,
  severity: 'caution',
  sentence,
  at: 'gap',
  ...(values ? { values } : {}),
});

/**
 * What is said of the gap a fill comes out at: against the house's own where every layer has its amount, however it was
 * booked; and once its nylon is wet.
 */
export function judgeGap(
  { gap, wetGap }: Pick<FillPlan, 'gap' | 'wetGap'>,
  request: FillRequest,
): PlanIssue[] {
  return [...byRule(gap, request), ...onceWet(gap, wetGap)];
}

function byRule(gap: Ranged, { gap: asked, house }: FillRequest): PlanIssue[] {
  // What stands proud is said in stronger words than the house's.
  if (asked !== undefined || house === undefined || gap.value <= -FLUSH) return [];
  const off = gap.value - house;
  if (off >= -OFF.full && off <= OFF.low) return [];
  const sentence = message('plan.off-the-rule', {
    level: level(gap.value),
    range: levelRange(gap),
    house: { mm: house },
  });
  return [caution(off < 0 ? 'fuller-than-rule' : 'lower-than-rule', sentence, { gap: gap.value, house })];
}

/** Line that swells past the lip falls off in loops on the water, though it left the bench below it. */
function onceWet(gap: Ranged, wetGap: FillPlan['wetGap']): PlanIssue[] {
  if (!wetGap || gap.value < 0 || wetGap.low >= 0) return [];
  const sentence = message('plan.proud-once-wet', { range: levelRange(wetGap) });
  return [caution('proud-once-wet', sentence, { low: wetGap.low, high: wetGap.high })];
}
