import type { HouseQuestion, HouseRules } from './house-rules';

/**
 * What an exception can be set for, the nearest to the reel last: it has the last word. A sort is a type of reel, what the
 * main line is made of, or both.
 */
export const EXCEPTION_SCOPES = ['type', 'material', 'material-on-type', 'line', 'customer', 'reel'] as const;
export type ExceptionScope = (typeof EXCEPTION_SCOPES)[number];

/** How near to the reel an exception is: the higher has the last word. */
export const nearness = ({ scope }: { readonly scope: ExceptionScope }): number =>
  EXCEPTION_SCOPES.indexOf(scope);

/** One question answered otherwise than the house does, for a sort of reel, a line, a customer or one reel. */
export interface RuleException<Q extends HouseQuestion = HouseQuestion> {
  readonly scope: ExceptionScope;
  readonly question: Q;
  readonly school: HouseRules[Q];
}

/** The rules one reel is filled under, and where each that is not the house's comes from. */
export interface EffectiveRules {
  readonly rules: HouseRules;
  readonly from: Readonly<Partial<Record<HouseQuestion, ExceptionScope>>>;
}

/**
 * The house rules with exceptions laid over them: what a line needs goes before what its sort does, a customer's wish
 * before both, and what was said of one reel before all.
 *
 * @param exceptions those that apply to this reel, in any order
 */
export function effectiveRules(house: HouseRules, exceptions: readonly RuleException[]): EffectiveRules {
  const rules: Record<string, string> = { ...house };
  const from: Partial<Record<HouseQuestion, ExceptionScope>> = {};
  for (const { scope, question, school } of [...exceptions].sort((a, b) => nearness(a) - nearness(b))) {
    rules[question] = school;
    from[question] = scope;
  }
  return { rules: rules as unknown as HouseRules, from };
}
