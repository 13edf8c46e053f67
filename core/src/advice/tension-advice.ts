import { isBraid, type Material } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { Advice } from './advice';
import type { ReelType } from '../lines/reel-type';

export interface TensionAdvice extends Advice {
  readonly tension: HouseRules['tension'];
}

const HOW: Readonly<Record<HouseRules['tension'], string>> = {
  light: 'Wind under light tension: the line lies flat and does not cut into the wraps below.',
  medium: 'Wind as tight as in fishing, through a wet cloth.',
  tight: 'Wind as tight as the rod and your hands allow, and slowly.',
};

/**
 * How tight to wind. Big game and braid are wound tight whatever the house does otherwise, since loose wraps bury.
 * Common practice, no source.
 */
export function tensionAdvice(
  material: Material,
  reel: ReelType,
  rules: Pick<HouseRules, 'tension'>,
): TensionAdvice {
  const must = reel === 'big-game' || (isBraid(material) && rules.tension === 'light');
  const tension = reel === 'big-game' ? 'tight' : must ? 'medium' : rules.tension;
  return {
    tension,
    sentence: HOW[tension],
    why:
      tension === rules.tension
        ? schoolOf(rules, 'tension').why
        : 'Braid and big reels bury their top wraps when wound looser.',
    caution:
      tension === 'tight'
        ? 'Running line burns: guide it, never grip it. Glove and eye protection; fingers clear of the line guide.'
        : 'Running line burns bare skin: guide it through a wet cloth, never grip it.',
  };
}
