import { FILLING_QUESTIONS } from './filling-questions';
import { HANDLING_QUESTIONS } from './handling-questions';
import type { Question, School } from './school';

/** Every question the trade disputes, with its schools and why each makes sense. */
export const HOUSE_QUESTIONS = { ...FILLING_QUESTIONS, ...HANDLING_QUESTIONS } as const;

type Questions = typeof HOUSE_QUESTIONS;
export type HouseQuestion = keyof Questions;

/** The shop's school on each disputed question. All advice takes it as an argument. */
export type HouseRules = { readonly [Q in HouseQuestion]: Questions[Q]['schools'][number]['id'] };

/** What a new shop starts with. */
export const USUAL_HOUSE_RULES: HouseRules = Object.fromEntries(
  Object.entries(HOUSE_QUESTIONS).map(([name, { usual }]) => [name, usual]),
) as HouseRules;

/**
 * The school a shop holds on a question, with its reason.
 *
 * @throws where the rules name a school the question does not have, which the type rules out
 */
export function schoolOf(rules: Partial<HouseRules>, name: HouseQuestion): School {
  const { schools }: Question = HOUSE_QUESTIONS[name];
  const held = schools.find(({ id }) => id === rules[name]);
  if (!held) throw new Error(`No school "${String(rules[name])}" on ${name}.`);
  return held;
}
