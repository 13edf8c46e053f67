import type { Problem } from '@yard-spool/contract';
import * as v from 'valibot';

/** Nobody mends more at once. */
const MOST = 10;

/** What is wrong with a part of a request, field by field: the first of it where it is much. */
export const fieldErrors = (
  issues: readonly v.BaseIssue<unknown>[],
  where: string,
): NonNullable<Problem['errors']> =>
  issues.slice(0, MOST).map((issue) => ({
    path: v.getDotPath(issue) ?? where,
    message: issue.message,
  }));
