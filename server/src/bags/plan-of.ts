import { makePlan, type FillPlan, type PlanInput } from '@yard-spool/core';
import { ProblemError } from '../problem-error';

/** The plan of an input, made again with the same core; a plan that does not work is refused at its fields. */
export function planOf(planInput: PlanInput, path: string): FillPlan {
  const made = makePlan(planInput);
  const blocking = made.ok
    ? made.value.plan.issues.filter(({ severity }) => severity === 'error')
    : made.issues;
  if (made.ok && blocking.length === 0) return made.value.plan;
  const errors = blocking.map(({ at, sentence }) => ({
    path: [path, at ?? 'planInput'].filter(Boolean).join('.'),
    message: sentence,
  }));
  throw new ProblemError('plan-does-not-work', blocking[0]?.sentence ?? 'The plan does not work.', errors);
}
