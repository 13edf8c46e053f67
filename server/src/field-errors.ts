import { wordsFromText } from '@yard-spool/core';
import * as v from 'valibot';
import type { FieldError } from './problem-error';

/** Nobody mends more at once. */
const MOST = 10;

/** What is wrong with a part of a request, field by field: the first of it where it is much. */
export const fieldErrors = (issues: readonly v.BaseIssue<unknown>[], where: string): FieldError[] =>
  issues.slice(0, MOST).map((issue) => ({
    path: v.getDotPath(issue) ?? where,
    message: wordsFromText(issue.message),
  }));
