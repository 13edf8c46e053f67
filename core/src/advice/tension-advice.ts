import { isBraid, type Material } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { PlainAdvice } from './advice';
import type { ReelType } from '../lines/reel-type';

export interface TensionAdvice extends PlainAdvice {
  readonly tension: HouseRules['tension'];
}

const HOW: Readonly<Record<HouseRules['tension'], string>> = {
  light: 'Wind under light tension',
  medium: 'Wind as tight as in fishing, through a wet cloth',
  tight: 'Wind as tight as the rod and your hands allow, and slowly',
};

/** What that does for each kind of line. Common practice, no source. */
const SINCE: Readonly<Record<Material, Readonly<Record<HouseRules['tension'], string>>>> = {
  nylon: {
    light: 'stretched nylon squeezes the spool and springs off it.',
    medium: 'nylon gives, so an even pull is what keeps it lying flat.',
    tight: 'stretched nylon squeezes the spool as it recovers.',
  },
  fluorocarbon: {
    light: 'stiff line lies where it is laid, and lifts off as soon as the pull stops: keep it even.',
    medium: 'stiff line lifts off as soon as the pull stops: keep it even to the last turn.',
    tight: 'stiff line nicks where it crosses itself under a hard pull: even, and wet.',
  },
  braid: {
    light: 'loose braid lets the top wraps cut into those below.',
    medium: 'loose braid lets the top wraps cut into those below.',
    tight: 'loose braid lets the top wraps cut into those below.',
  },
  'hollow-braid': {
    light: 'loose hollow braid lies flat, and the top wraps cut into it.',
    medium: 'loose hollow braid lies flat, and the top wraps cut into it.',
    tight: 'loose hollow braid lies flat, and the top wraps cut into it.',
  },
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
    sentence: `${HOW[tension]}: ${SINCE[material][tension]}`,
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
