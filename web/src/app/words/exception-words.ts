import {
  HOUSE_QUESTIONS,
  message,
  schoolOf,
  type EffectiveRules,
  type HouseQuestion,
  type Words,
} from '@yard-spool/core';
import { QUESTION_NAMES, SCOPE_WORDS } from './question-names';

/** Every rule that is not the house's for one reel, in a sentence each: what holds, and whom it was set for. */
export const exceptionWords = ({ rules, from }: EffectiveRules): Words[] =>
  (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).flatMap((question) => {
    const scope = from[question];
    return scope
      ? [
          message('rule.exception', {
            question: QUESTION_NAMES[question],
            scope: SCOPE_WORDS[scope],
            school: schoolOf(rules, question).name,
          }),
        ]
      : [];
  });
