import type { RequestHandler } from 'express';
import { ProblemError } from '../problem-error';

/** Names of this machine to itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Answers only to the names the server was told it has: a page of elsewhere whose name was made to lead here (DNS
 * rebinding) asks under its own.
 *
 * @param names without ports
 */
export function knownHosts(names: readonly string[] = []): RequestHandler {
  const known = new Set([...LOOPBACK, ...names].map((name) => name.toLowerCase()));
  return (request, _response, next) => {
    const host = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    next(
      known.has(host)
        ? undefined
        : new ProblemError(
            'not-allowed',
            'This server does not go by that name. Use the address it was started with.',
          ),
    );
  };
}
