import type { FillPlan, makePlan, PlanInput } from '@yard-spool/core';
import { ProblemError } from '../problem-error';
import { blockingIssues } from './blocking-issues';
import { inWorker } from '../work/in-worker';
import { PLANS } from './make-plans';

/** The plan of an input to be made, and where in the request it stands. */
export interface ToPlan {
  readonly planInput: PlanInput;
  readonly path: string;
}

/** Plans made again with the same core, in a worker; one that does not work is refused at its fields. */
export async function plansOf(asked: readonly ToPlan[]): Promise<FillPlan[]> {
  const made = await inWorker(
    PLANS,
    asked.map(({ planInput }) => planInput),
  );
  return made.map((one, i) => workable(one, asked[i]?.path ?? ''));
}

function workable(made: ReturnType<typeof makePlan>, path: string): FillPlan {
  const blocking = blockingIssues(made);
  if (made.ok && blocking.length === 0) return made.value.plan;
  const errors = blocking.map(({ at, sentence }) => ({
    path: [path, at ?? 'planInput'].filter(Boolean).join('.'),
    message: sentence,
  }));
  throw new ProblemError('plan-does-not-work', blocking[0]?.sentence ?? 'The plan does not work.', errors);
}
