import type { makePlan } from '@yard-spool/core';

/** What keeps a plan from being used; empty where it works. */
export const blockingIssues = (made: ReturnType<typeof makePlan>) =>
  made.ok ? made.value.plan.issues.filter(({ severity }) => severity === 'error') : made.issues;
