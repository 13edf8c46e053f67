import type { ErrorRequestHandler, Request } from 'express';
import type { Logger } from 'pino';
import { problemOfDatabaseError } from '../db/database-errors';
import { ProblemError } from '../problem-error';

/** Turns whatever was thrown into problem+json. What is not a known problem is logged and told as a server error. */
export const tellProblems =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = problemOf(error) ?? unexpected(log, error, request);
    const body = problem.toProblem();
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };

const WORDS: Readonly<Record<string, string>> = {
  'entity.too.large': 'This is more than fits in one request.',
  'entity.parse.failed': 'This is not readable as JSON.',
  'entity.verify.failed': 'This is not readable as JSON.',
  'charset.unsupported': 'Only UTF-8 is understood here.',
  'encoding.unsupported': 'This is packed in a way that is not understood here.',
  'request.aborted': 'The request broke off half way. Nothing was changed.',
  'request.size.invalid': 'The request broke off half way. Nothing was changed.',
};

function problemOf(error: unknown): ProblemError | null {
  if (error instanceof ProblemError) return error;
  const { status = 0, type = '' } = (error ?? {}) as { readonly status?: number; readonly type?: string };
  // Whatever the libraries before the handlers find wrong with a request is the request's fault.
  if (status >= 400 && status < 500)
    return new ProblemError('bad-request', WORDS[type] ?? 'This request could not be read.');
  return problemOfDatabaseError(error);
}

function unexpected(log: Logger, error: unknown, { method, route }: Request): ProblemError {
  // The route as it is written, not as it was asked: what stands in an address may be somebody's.
  const { path = '' } = (route ?? {}) as { readonly path?: string };
  log.error({ err: error, route: `${method} ${path}` }, 'request failed');
  return new ProblemError(
    'server-error',
    'The server could not do this, or could not tell what came of it. Look whether it was done before you try again.',
  );
}
