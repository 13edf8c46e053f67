import { api, type Person } from '@yard-spool/contract';
import { Router } from 'express';
import type { ServerContext } from '../context';
import { addFirstPerson, signInSheet, type DemoPasscodes } from '../people/people';
import { signIn, signOut } from '../people/sessions';
import { placeOf } from './place';
import { passcodeTries, signInTries } from './tries';
import { personOf, serve } from './serve';
import { forgetToken, keepToken, tokenOf } from './session-cookie';

/** What works before anybody is signed in. */
export function signInRoutes(context: ServerContext, demo?: DemoPasscodes): Router {
  const router = Router();
  serve(router, api.health, async () => {
    await context.sequelize.authenticate();
    return { ready: true };
  });
  serve(router, api.signInSheet, () => signInSheet(context, demo));
  router.post(api.addFirstPerson.path, passcodeTries());
  serve(router, api.addFirstPerson, ({ body }) => addFirstPerson(context, body.name, body.passcode));
  router.post(api.signIn.path, ...signInTries());
  serve(router, api.signIn, async ({ body, request, response }) => {
    const { person, token, expiresAt } = await signIn(context, body.name, body.passcode, placeOf(request));
    keepToken(response, token, expiresAt);
    return person;
  });
  serve(router, api.whoAmI, ({ response }) => Promise.resolve(personOf(response)));
  serve(router, api.signOut, async ({ request, response }) => {
    const { person } = response.locals as { person?: Person };
    await signOut(context, tokenOf(request), person ?? null, placeOf(request));
    forgetToken(response);
    return {};
  });
  return router;
}
