import type { Advice } from './advice';
import type { HouseRules } from '../house-rules/house-rules';
import { serviceAdvice, type Wear } from './service-advice';
import type { Line } from '../lines/line';
import { bounded } from '../numeric/bounded';
import { message } from '../words/message';

export interface ReverseAdvice extends Advice {
  readonly worth: boolean;
  /** Metres at the inner end that were never fished. */
  readonly fresh: number;
}

/** More line than any spool holds, m. */
const MOST_LENGTH = 20_000;

/**
 * Whether turning a line end for end is worth it: the unused inner end comes out on top, which gains something only
 * where it is longer than what is fished. Worth nothing before the house would renew the line at all.
 *
 * @param length metres of this line on the spool
 * @param fished metres that come off in fishing
 */
export function reverseAdvice(
  line: Line,
  { length, fished }: { readonly length: number; readonly fished: number },
  wear: Wear,
  rules: Pick<HouseRules, 'service'>,
): ReverseAdvice {
  const comesOff = bounded(fished, 0, MOST_LENGTH);
  const fresh = Math.max(0, bounded(length, 0, MOST_LENGTH) - comesOff);
  const enough = fresh > comesOff;
  const { due } = serviceAdvice(line, wear, rules);
  const lengths = message('reverse.lengths', { fresh: { m: fresh }, worn: { m: comesOff } });
  if (!enough)
    return {
      worth: false,
      fresh,
      sentence: message('reverse.only', { lengths }),
      why: 'What comes out on top would reach into worn line within a cast.',
    };
  return {
    worth: due,
    fresh,
    sentence: message(due ? 'reverse.due' : 'reverse.not-due', { lengths }),
    why: 'The other spool, face to face and turning the same way, brings the fresh end out on top for the price of winding only.',
  };
}
