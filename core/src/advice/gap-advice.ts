import { MM_PER_INCH } from '../quantities/units';
import { bounded } from '../numeric/bounded';
import type { HouseRules } from '../house-rules/house-rules';
import { schoolOf } from '../house-rules/house-rules';
import type { Advice } from './advice';
import { REEL_TRAITS, type ReelType } from '../lines/reel-type';
import { message } from '../words/message';

/** The edge line leaves a spool over: plain, or bevelled with the depth of the bevel's bottom below the lip, mm. */
export type Rim = { readonly kind: 'plain' } | { readonly kind: 'bevel'; readonly depth: number };

export interface GapAdvice extends Advice {
  /** mm below the lip to stop at. */
  readonly gap: number;
}

/** Sixteenths of an inch in mm, as gaps are named. Common practice, no source. */
const SIXTEENTH = MM_PER_INCH / 16;
const GAP = { thin: SIXTEENTH, middle: 1.5 * SIXTEENTH, thick: 2 * SIXTEENTH, closedFace: 3 * SIXTEENTH };
/** Diameters from which line counts as middling and as thick, mm. */
const MIDDLE_FROM = 0.25;
const THICK_FROM = 0.35;

/**
 * The gap to stop at, by rim, reel and line. A bevelled rim decides by itself; a closed face needs the most; elsewhere
 * the house rule says. Common practice, no source.
 *
 * @param diameter of the line on top, mm
 * @param room depth of the bare spool below its lip, mm; null where nobody knows it
 */
export function gapAdvice(
  diameter: number,
  reel: ReelType,
  rim: Rim,
  rules: Pick<HouseRules, 'level'>,
  room: number | null = null,
): GapAdvice {
  if (rim.kind === 'bevel') {
    const depth = bounded(rim.depth, 0, 60);
    return {
      gap: depth,
      sentence: message('gap.bevel', { gap: { mm: depth } }),
      why: 'Line leaves over the bevel; above it loops fall off.',
    };
  }
  if (REEL_TRAITS[reel].closedFace) {
    return {
      gap: GAP.closedFace,
      sentence: message('gap.leave', { gap: { mm: GAP.closedFace } }),
      why: 'The cover sits close; line that stands higher jams inside it.',
    };
  }
  if (!REEL_TRAITS[reel].cast) {
    return {
      gap: GAP.thick,
      sentence: message('gap.three-quarters', { gap: { mm: GAP.thick } }),
      why: 'It is not cast, so the last millimetre buys nothing.',
    };
  }
  const asElsewhere = bySchool(diameter, rules);
  return reel === 'baitcaster' ? byThumb(asElsewhere, room) : asElsewhere;
}

/** Of the room of a baitcaster's spool no more than this is left, as a share: its spools are shallow. From memory. */
const SHALLOW = 1 / 8;

/** A gap measured for deep spools would leave a shallow one half empty: there the thumb judges, and a share of its depth. */
function byThumb(house: GapAdvice, room: number | null): GapAdvice {
  const most = room === null ? GAP.thin : SHALLOW * room;
  if (house.gap <= most) return house;
  return {
    gap: most,
    sentence: message('gap.by-thumb', { gap: { mm: most } }),
    why: 'Its spool turns and is shallow: a gap as on other reels would leave much of it empty.',
  };
}

function bySchool(diameter: number, rules: Pick<HouseRules, 'level'>): GapAdvice {
  const { why } = schoolOf(rules, 'level');
  const usual = diameter >= THICK_FROM ? GAP.thick : diameter >= MIDDLE_FROM ? GAP.middle : GAP.thin;
  switch (rules.level) {
    case 'flush':
      return { gap: 0, sentence: 'Fill flush with the lip.', why };
    case 'by-line':
      return { gap: usual, sentence: message('gap.by-line', { gap: { mm: usual } }), why };
    case 'start-low': {
      const gap = usual + SIXTEENTH;
      return { gap, sentence: message('gap.start-low', { gap: { mm: gap } }), why };
    }
  }
}
