import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { ProblemError } from '../problem-error';

const MINUTES = 5;
/** Wrong tries for one name from one place, then a rest for that name there alone. */
const FOR_ONE = 8;
/** Wrong tries from one place whatever the name: a guesser that goes from name to name. */
const FROM_ONE = 60;

/** Where from; addresses of one household's network count as one. */
const from = (request: Request): string => ipKeyGenerator(request.ip ?? '');

const limited = (limit: number, keyOf: (request: Request) => string): RequestHandler =>
  rateLimit({
    ...{ windowMs: MINUTES * 60_000, limit, skipSuccessfulRequests: true },
    ...{ standardHeaders: 'draft-8', legacyHeaders: false, keyGenerator: keyOf },
    handler: (_request, _response, next) =>
      next(
        new ProblemError(
          'too-many-tries',
          `Too many wrong tries. Wait ${String(MINUTES)} minutes and try again; others can sign in meanwhile.`,
        ),
      ),
  });

const nameIn = ({ body }: Request): string => {
  const { name } = (body ?? {}) as { name?: unknown };
  return typeof name === 'string' ? name.trim().toLowerCase().slice(0, 80) : '';
};

/** Limits on signing in: by name and place, and by place. */
export const signInTries = (): RequestHandler[] => [
  limited(FROM_ONE, from),
  limited(FOR_ONE, (request) => `${from(request)} ${nameIn(request)}`),
];

/** Limits on what else a passcode is guessed at: one's own change of it, and the first set-up. */
export const passcodeTries = (): RequestHandler => limited(FOR_ONE, from);
