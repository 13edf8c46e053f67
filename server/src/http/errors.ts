import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { problemOfDatabaseError } from '../db/database-errors';
import { ProblemError } from '../problem-error';

/** Turns whatever was thrown into problem+json. What is not a known problem is logged and told as a server error. */
export const tellProblems =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = problemOf(error) ?? unexpected(log, error);
    const body = problem.toProblem();
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };

function problemOf(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  const status = (error as { status?: number } | null)?.status;
  if (status === 413) return new ProblemError('bad-request', 'This is more than fits in one request.');
  if (status === 400) return new ProblemError('bad-request', 'This is not readable as JSON.');
  return problemOfDatabaseError(error);
}

function unexpected(log: Logger, error: unknown): ProblemError {
  log.error({ err: error }, 'request failed');
  return new ProblemError('server-error', 'The server could not do this. Nothing was changed; try again.');
}
