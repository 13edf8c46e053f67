import { fail, succeed, type Result } from '../issue';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import type { SpoolPriors } from '../spool/priors';
import type { FillPlan } from './fill-plan';
import type { FillRequest } from './fill-request';
import { planFill } from './plan-fill';
import type { PlanRules } from './plan-rules';

/** Everything a plan is made from. The same input gives the same plan in the browser, on the server and in tests. */
export interface PlanInput {
  readonly observations: readonly Observation[];
  readonly request: FillRequest;
}

/** A plan together with the spool it was made for. */
export interface MadePlan {
  readonly spool: InferredSpool;
  readonly plan: FillPlan;
}

/** Infers the spool, then plans the fill. */
export function makePlan(
  { observations, request }: PlanInput,
  priors?: SpoolPriors,
  rules?: PlanRules,
): Result<MadePlan> {
  const spool = inferSpool(observations, priors);
  if (!spool.ok) return spool;
  const plan = planFill(spool.value, request, rules);
  return plan.ok ? succeed({ spool: spool.value, plan: plan.value }) : fail(...plan.issues);
}
