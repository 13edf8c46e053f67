import type { Problem } from '@yard-spool/contract';
import * as v from 'valibot';

/** What is wrong with a part of a request, field by field. */
export const fieldErrors = (
  issues: readonly v.BaseIssue<unknown>[],
  where: string,
): NonNullable<Problem['errors']> =>
  issues.map((issue) => ({
    path: v.getDotPath(issue) ?? where,
    message: issue.message,
  }));
