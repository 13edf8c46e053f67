import { METRES_PER_YARD } from '../quantities/units';
import { isBraid, type Line } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import { message, type Words } from '../words/message';
import type { Advice } from './advice';

export type JoinKnot = 'double-uni' | 'blood' | 'albright' | 'splice';

export interface JoinAdvice extends Advice {
  readonly knot: JoinKnot;
}

/** Diameters that differ more than this many times ask for a knot that does not mind. Common practice, no source. */
const UNALIKE = 1.5;

/** Line of the other that lies inside a hollow braid, m: twelve feet. Common practice, no source. */
export const SPLICE_INSIDE = 4 * METRES_PER_YARD;

const HOW: Readonly<Record<JoinKnot, Words>> = {
  'double-uni': 'Double uni, three turns each side.',
  blood: 'Blood knot, three to seven turns each side, more for thinner line.',
  albright: 'Albright, about ten turns of the thinner line round the thicker.',
  splice: message('knot.splice', { inside: { m: SPLICE_INSIDE } }),
};

const CAUTION = 'Trim with scissors, never with teeth; no blade or flame against the spool.';

/**
 * How two lines are joined. Hollow braid is spliced; lines too unalike for the house's knot get one that does not mind.
 * Turns are common practice, no source.
 */
export function joinAdvice(lower: Line, upper: Line, rules: Pick<HouseRules, 'knots'>): JoinAdvice {
  if (lower.material === 'hollow-braid' || upper.material === 'hollow-braid') {
    return {
      knot: 'splice',
      sentence: HOW.splice,
      why: 'The weave grips what lies in it: no knot to pass the guides. If the needle will not go in, cut back and start again.',
      caution: CAUTION,
    };
  }
  const ratio = Math.max(lower.diameter, upper.diameter) / Math.min(lower.diameter, upper.diameter);
  const unalike = ratio > UNALIKE || isBraid(lower.material) !== isBraid(upper.material);
  if (rules.knots === 'blood' && unalike) {
    return {
      knot: 'double-uni',
      sentence: HOW['double-uni'],
      why: 'The shop ties blood knots, but these two lines are too unalike for one.',
      caution: CAUTION,
    };
  }
  return {
    knot: rules.knots,
    sentence: HOW[rules.knots],
    why: schoolOf(rules, 'knots').why,
    caution: CAUTION,
  };
}

/** How line is tied to the arbor. Common practice, no source. */
export const arborKnotAdvice = (line: Line): Advice =>
  isBraid(line.material)
    ? {
        sentence: 'Uni knot of four turns round the arbor.',
        why: 'Slick line needs turns; pull it down wet and trim it short.',
        caution: CAUTION,
      }
    : {
        sentence: 'Overhand knot round the line, with a second overhand in the tag as a stopper.',
        why: 'Slides down flat and never slips off the tag.',
        caution: CAUTION,
      };
