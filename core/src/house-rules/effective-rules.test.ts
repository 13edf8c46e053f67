import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { effectiveRules, type RuleException } from './effective-rules';
import { USUAL_HOUSE_RULES } from './house-rules';

const soak = (scope: RuleException['scope'], school: 'none' | 'short' | 'overnight'): RuleException => ({
  scope,
  question: 'soak',
  school,
});

describe('effectiveRules', () => {
  it('are the house’s where there is no exception', () => {
    expect(effectiveRules(USUAL_HOUSE_RULES, [])).toEqual({ rules: USUAL_HOUSE_RULES, from: {} });
  });

  it('let the customer go before the line, and the reel before both, in whatever order they come', () => {
    const all = [soak('line', 'overnight'), soak('customer', 'none'), soak('reel', 'short')];
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: 3 }), (shuffled) => {
        const { rules, from } = effectiveRules(USUAL_HOUSE_RULES, shuffled);
        expect([rules.soak, from.soak]).toEqual(['short', 'reel']);
      }),
    );
    expect(effectiveRules(USUAL_HOUSE_RULES, all.slice(0, 2)).rules.soak).toBe('none');
  });

  it('leave every other question as the house answers it', () => {
    const { rules } = effectiveRules(USUAL_HOUSE_RULES, [soak('reel', 'none')]);
    expect({ ...rules, soak: USUAL_HOUSE_RULES.soak }).toEqual(USUAL_HOUSE_RULES);
  });
});
