import { api } from '@yard-spool/contract';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { ServerContext } from '../context';
import { addFirstPerson, signInSheet, type DemoPasscodes } from '../people/people';
import { signIn, signOut } from '../people/sessions';
import { ProblemError } from '../problem-error';
import { personOf, serve } from './serve';
import { forgetToken, keepToken, tokenOf } from './session-cookie';

const TRIES = 10;
const MINUTES = 5;

/** Ten wrong tries in five minutes from one address, then a rest. */
const limitedTries = () =>
  rateLimit({
    windowMs: MINUTES * 60_000,
    limit: TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, _response, next) => {
      next(
        new ProblemError(
          'too-many-tries',
          `Too many wrong tries. Wait ${String(MINUTES)} minutes and try again.`,
        ),
      );
    },
  });

/** What works before anybody is signed in. */
export function signInRoutes(context: ServerContext, demo?: DemoPasscodes): Router {
  const router = Router();
  serve(router, api.health, async () => {
    await context.sequelize.authenticate();
    return { ready: true };
  });
  serve(router, api.signInSheet, () => signInSheet(context, demo));
  serve(router, api.addFirstPerson, ({ body }) => addFirstPerson(context, body.name, body.passcode));
  router.post(api.signIn.path, limitedTries());
  serve(router, api.signIn, async ({ body, response }) => {
    const { person, token, expiresAt } = await signIn(context, body.name, body.passcode);
    keepToken(response, token, expiresAt);
    return person;
  });
  serve(router, api.whoAmI, ({ response }) => Promise.resolve(personOf(response)));
  serve(router, api.signOut, async ({ request, response }) => {
    await signOut(context, tokenOf(request));
    forgetToken(response);
    return {};
  });
  return router;
}
