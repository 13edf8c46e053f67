import { fail, succeed, type Result } from '../issue';
import { priorsOf, type Beliefs } from '../spool/beliefs';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import type { FillPlan } from './fill-plan';
import type { FillRequest } from './fill-request';
import { planFill } from './plan-fill';
import type { PlanRules } from './plan-rules';

/** Facts that are taken as usual where nobody said them. */
export const ASSUMED = ['gear', 'kept-diameter'] as const;
export type Assumed = (typeof ASSUMED)[number];

/** Everything a plan is made from. The same input gives the same plan in the browser, on the server and in tests. */
export interface PlanInput {
  readonly observations: readonly Observation[];
  readonly request: FillRequest;
  /** What was believed beside the readings when it was made; a fixed spool's usual beliefs unless said. */
  readonly beliefs?: Beliefs;
  /** What nobody said and was taken as usual: the gear of the reel's type, the thickness of old line that stays on. */
  readonly assumed?: readonly Assumed[];
}

/** A plan together with the spool it was made for. */
export interface MadePlan {
  readonly spool: InferredSpool;
  readonly plan: FillPlan;
}

/** Infers the spool, then plans the fill. What is odd about the readings goes with the spool, the rest with the plan. */
export function makePlan({ observations, request, beliefs }: PlanInput, rules?: PlanRules): Result<MadePlan> {
  const spool = inferSpool(observations, priorsOf(beliefs));
  if (!spool.ok) return spool;
  const plan = planFill(spool.value, request, rules);
  return plan.ok ? succeed({ spool: spool.value, plan: plan.value }, spool.issues) : fail(...plan.issues);
}
