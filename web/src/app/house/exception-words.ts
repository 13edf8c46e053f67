import { HOUSE_QUESTIONS, schoolOf, type EffectiveRules, type HouseQuestion } from '@yard-spool/core';
import { QUESTION_NAMES, SCOPE_WORDS } from './question-names';

/** Every rule that is not the house's for one reel, in a sentence each: what holds, and whom it was set for. */
export const exceptionWords = ({ rules, from }: EffectiveRules): string[] =>
  (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).flatMap((question) => {
    const scope = from[question];
    return scope
      ? [`${QUESTION_NAMES[question]}: ${schoolOf(rules, question).name}, ${SCOPE_WORDS[scope]}.`]
      : [];
  });
