import { isBraid, type Material } from '../lines/line';
import { schoolOf, type HouseRules } from '../house-rules/house-rules';
import type { Advice } from './advice';

const HOW: Readonly<Record<HouseRules['memoryRelief'], string>> = {
  'warm-water': 'Take the spool off the reel and lay it in warm tap water for 3 to 10 minutes.',
  stretch: 'Stretch it a length at a time between the hands, down to the join.',
  'walk-out': 'Walk it out to a swivel on a post, down to the join, and wind it back under tension.',
  leave: 'Tell the customer to trail it behind a boat, or to walk it out, before the first casts.',
};

/** How the coils are taken out of line that remembers its spool; null for braid, which does not. */
export function memoryAdvice(material: Material, rules: Pick<HouseRules, 'memoryRelief'>): Advice | null {
  if (isBraid(material)) return null;
  return {
    sentence: HOW[rules.memoryRelief],
    why: schoolOf(rules, 'memoryRelief').why,
    ...(rules.memoryRelief === 'warm-water'
      ? { caution: 'Warm, never hot: hot water harms the line and scalds.' }
      : {}),
  };
}
