import { isBraid, type Material } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { PlainAdvice } from './advice';

/** What is done to line that remembers, by material. Common practice, no source; what warmth does to which is from memory. */
const HOW: Readonly<Record<'nylon' | 'fluorocarbon', Readonly<Record<HouseRules['memoryRelief'], string>>>> =
  {
    nylon: {
      'warm-water':
        'Take the spool off the reel and lay it in warm tap water, 3 to 4 minutes; thick nylon up to 10. Water softens nylon as well as warmth.',
      stretch: 'Stretch it a length at a time between the hands, down to the join, until it stays straight.',
      'walk-out': 'Walk it out to a swivel on a post, down to the join, and wind it back under tension.',
      leave: 'Tell the customer to trail it behind a boat, or to walk it out, before the first casts.',
    },
    fluorocarbon: {
      'warm-water':
        'Take the spool off the reel and lay it in warm tap water for about 10 minutes: fluorocarbon takes up no water, so only the warmth helps.',
      stretch:
        'Pull it slowly a length at a time, down to the join: fluorocarbon gives little, and stays as it was pulled.',
      'walk-out':
        'Walk it out to a swivel on a post, down to the join, pull it slowly, and wind it back under tension.',
      leave:
        'Tell the customer to walk it out and pull it slowly before the first casts: it sets hard when it is cold.',
    },
  };

/** How the coils are taken out of line that remembers its spool; null for braid, which does not. */
export function memoryAdvice(
  material: Material,
  rules: Pick<HouseRules, 'memoryRelief'>,
): PlainAdvice | null {
  if (isBraid(material)) return null;
  return {
    sentence: HOW[material === 'fluorocarbon' ? 'fluorocarbon' : 'nylon'][rules.memoryRelief],
    why: schoolOf(rules, 'memoryRelief').why,
    ...(rules.memoryRelief === 'warm-water'
      ? { caution: 'Warm, never hot: hot water harms the line and scalds.' }
      : {}),
  };
}
