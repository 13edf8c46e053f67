import { isBraid, type Material } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import { message, type Words } from '../words/message';
import type { Advice } from './advice';

/** What an arbor offers by itself. */
export type ArborSurface = 'bare' | 'ridged' | 'rubber';

export interface GripAdvice extends Advice {
  /** Wraps of tape and metres of nylon to put on first. Common practice, no source. */
  readonly wraps: number;
  readonly nylon: number;
}

const WRAPS = 2;
/** Metres of nylon that grip by themselves under braid. Common practice, no source. */
const NYLON = 10;

/** How line is kept from slipping round the arbor: nylon grips by itself, braid and fluorocarbon-over-braid do not. */
export function gripAdvice(
  first: Material,
  arbor: ArborSurface,
  rules: Pick<HouseRules, 'arborGrip'>,
): GripAdvice {
  if (!isBraid(first)) {
    return {
      wraps: 0,
      nylon: 0,
      sentence: 'Tie it straight to the arbor.',
      why: 'Single-strand line grips by itself once the knot is pulled down.',
    };
  }
  if (arbor !== 'bare') {
    return {
      wraps: 0,
      nylon: 0,
      sentence: `Tie the braid straight on: the ${arbor === 'rubber' ? 'rubber band' : 'ridges'} will hold it.`,
      why: 'The arbor is made to grip braid.',
    };
  }
  const tape = rules.arborGrip !== 'nylon';
  const nylon = rules.arborGrip !== 'tape';
  return {
    wraps: tape ? WRAPS : 0,
    nylon: nylon ? NYLON : 0,
    sentence: putFirst(tape, nylon),
    why: schoolOf(rules, 'arborGrip').why,
  };
}

function putFirst(tape: boolean, nylon: boolean): Words {
  const metres = { nylon: { m: NYLON } };
  if (tape && nylon) return message('grip.tape-and-nylon', { wraps: WRAPS, ...metres });
  return nylon
    ? message('grip.nylon', metres)
    : `First ${WRAPS} wraps of tape, or the whole coil turns on the arbor.`;
}
