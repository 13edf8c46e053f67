import { makePlan, type PlanInput } from '@yard-spool/core';
import { task } from '../work/task';

/** Plans, one for each input. */
export const makePlans = (inputs: readonly PlanInput[]) => inputs.map((input) => makePlan(input));

export const PLANS = task<typeof makePlans>('plans');
