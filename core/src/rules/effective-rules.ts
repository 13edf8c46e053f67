import type { HouseQuestion, HouseRules } from './house-rules';

/** What a rule can be set otherwise for, the nearest to the reel last: it has the last word. */
export const OVERRIDE_SCOPES = ['line', 'customer', 'reel'] as const;
export type OverrideScope = (typeof OVERRIDE_SCOPES)[number];

/** One question answered otherwise than the house does, for a line, a customer or one reel. */
export interface RuleOverride<Q extends HouseQuestion = HouseQuestion> {
  readonly scope: OverrideScope;
  readonly question: Q;
  readonly school: HouseRules[Q];
}

/** The rules one reel is filled under, and where each that is not the house's comes from. */
export interface EffectiveRules {
  readonly rules: HouseRules;
  readonly from: Readonly<Partial<Record<HouseQuestion, OverrideScope>>>;
}

/**
 * The house's rules with what was set otherwise laid over them: a customer's wish goes before what a line needs, and
 * what was said of one reel goes before both.
 *
 * @param overrides those that apply to this reel, in any order
 */
export function effectiveRules(house: HouseRules, overrides: readonly RuleOverride[]): EffectiveRules {
  const rank = ({ scope }: RuleOverride): number => OVERRIDE_SCOPES.indexOf(scope);
  const rules: Record<string, string> = { ...house };
  const from: Partial<Record<HouseQuestion, OverrideScope>> = {};
  for (const { scope, question, school } of [...overrides].sort((a, b) => rank(a) - rank(b))) {
    rules[question] = school;
    from[question] = scope;
  }
  return { rules: rules as unknown as HouseRules, from };
}
