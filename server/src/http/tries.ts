import type { Request, RequestHandler, Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Reading } from '../context/context';
import { wasSignedInHere } from '../people/audit';
import { ProblemError } from '../problem-error';
import { placeOf } from './place';
import { personOf } from './serve';

const MINUTES = 5;
/** Wrong tries for one person from all places together where they were not signed in lately: a guesser with many addresses. */
const FOR_PERSON = 25;
/** Wrong tries for one name from one place, then a rest for that name there alone. */
const FOR_ONE = 8;
/** Wrong tries from one place whatever the name: a guesser that goes from name to name. */
const FROM_ONE = 60;

/** Where from; addresses of one household's network count as one. */
const from = (request: Request): string => ipKeyGenerator(request.ip ?? '');

type KeyOf = (request: Request, response: Response) => string | Promise<string>;
type Skip = (request: Request) => boolean | Promise<boolean>;

const limited = (limit: number, keyOf: KeyOf, skip: Skip = () => false): RequestHandler =>
  rateLimit({
    windowMs: MINUTES * 60_000,
    limit,
    skipSuccessfulRequests: true,
    skip,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: keyOf,
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
  return typeof name === 'string' ? name.trim().slice(0, 80) : '';
};

/** Limits on signing in: by place, by person and place, and by person from wherever. */
export function signInTries(context: Reading): RequestHandler[] {
  // Whose name it is, is the database's affair: it takes accents and capitals for the same.
  const whose: KeyOf = async (request) => {
    const name = nameIn(request);
    const person = await context.tables.people.findOne({ where: { name, leftAt: null } });
    return person ? `person ${String(person.id)}` : `nobody ${name.toLowerCase()}`;
  };
  return [
    limited(FROM_ONE, from),
    limited(FOR_ONE, async (request, response) => `${from(request)} ${await whose(request, response)}`),
    limited(FOR_PERSON, whose, (request) => wasSignedInHere(context, nameIn(request), placeOf(request))),
  ];
}

/** Limits on what else a passcode is guessed at: one's own change of it, and the first set-up. */
export const passcodeTries = (): RequestHandler => limited(FOR_ONE, from);

/** Limits on proving again who one is: by person, from wherever. */
export const proofTries = (): RequestHandler[] => [
  limited(FOR_ONE, (_request, response) => `proof ${String(personOf(response).id)}`),
];
