import type { Line } from '../lines/line';
import type { HouseRules } from '../house-rules/house-rules';
import { schoolOf } from '../house-rules/house-rules';
import type { SupplyStand } from '../twist/compare-supply';
import { message } from '../words/message';
import type { Advice, PlainAdvice } from './advice';
import { REEL_TRAITS, type ReelType } from '../lines/reel-type';

/** Which way line leaves a piece over its end with the label up, seen from above, as far as anybody looked. */
export type LeavesSupply = 'clockwise' | 'anticlockwise' | 'unknown';

/**
 * Which face of the supply is up. Rotation decides; the other schools trust a label. Null where the supply rolls or is
 * turned on a rig, since its faces make no difference then.
 *
 * @param box which face its maker says to lay up, where that is known
 */
export function labelAdvice(
  stand: SupplyStand,
  leaves: LeavesSupply,
  rules: Pick<HouseRules, 'label'>,
  box?: Line['labelSide'],
): Advice | null {
  if (stand !== 'matched' && stand !== 'mismatched') return null;
  const { why } = schoolOf(rules, 'label');
  if (rules.label === 'label-up') return { sentence: 'Stand it with its label up.', why };
  if (rules.label === 'box')
    return {
      sentence: box === undefined ? 'Stand it as its box says.' : `Stand it label ${box}, as its box says.`,
      why,
    };
  if (leaves === 'unknown') {
    return {
      sentence: `Pull a metre off and look which way it turns: stand it so that it turns ${stand === 'matched' ? 'the way the bail does' : 'against the bail'}.`,
      why,
    };
  }
  const up = (leaves === 'clockwise') === (stand === 'matched');
  return {
    sentence: `If the bail turns clockwise seen from behind, stand it label ${up ? 'up' : 'down'}: with its label up it leaves ${leaves}.`,
    why,
  };
}

/** Whether a second person is called. Common practice, no source. */
export const handsAdvice = (rules: Pick<HouseRules, 'hands'>): PlainAdvice => ({
  sentence:
    rules.hands === 'helper'
      ? 'Call a helper: one winds, one holds supply and tension through a wet cloth.'
      : 'Wind alone: supply in its tub, clamp or rig, tension by a wet cloth or a second reel’s drag.',
  why: schoolOf(rules, 'hands').why,
});

/** How far the line is threaded before it is wound. Common practice, no source. */
export const guidesAdvice = (reel: ReelType, rules: Pick<HouseRules, 'guides'>): PlainAdvice => ({
  sentence:
    rules.guides === 'all'
      ? 'Thread every guide, none missed; fold the end so that it cannot slip back.'
      : reel === 'spincast'
        ? 'Thread the nose cone, then the first guide.'
        : 'Thread the first guide.',
  why: schoolOf(rules, 'guides').why,
});

/** In what order backing and main go on; null where there is no backing to have an order. */
export function orderAdvice(hasBacking: boolean, rules: Pick<HouseRules, 'order'>): Advice | null {
  if (!hasBacking) return null;
  return {
    sentence:
      rules.order === 'main-first'
        ? 'Main first, backing on top to the gap, then all of it over to the other spool; backing first where there is no spare spool.'
        : 'Backing first, to the amount worked out, then the main.',
    why: schoolOf(rules, 'order').why,
  };
}

/** Metres after which the lay is looked at again. Common practice, no source. */
const LOOK_AFTER = 140;

/** When the lay of a fixed spool is corrected; null for reels whose line guide lays it. */
export function layWhenAdvice(reel: ReelType, rules: Pick<HouseRules, 'washers'>): Advice | null {
  if (!REEL_TRAITS[reel].openFace) return null;
  return {
    sentence: message(rules.washers === 'at-the-bench' ? 'lay.look-and-correct' : 'lay.look-and-write', {
      every: { m: LOOK_AFTER },
    }),
    why: schoolOf(rules, 'washers').why,
  };
}
