import { api, type Demo, type Person } from '@yard-spool/contract';
import { Router } from 'express';
import { calendarFile } from '../calendar/calendar';
import type { ServerContext } from '../context';
import { addFirstPerson, signInSheet } from '../people/people';
import { signIn, signOut } from '../people/sessions';
import { importShop } from '../shop-file/shop-file-over-http';
import { placeOf } from './place';
import { passcodeTries, signInTries } from './tries';
import { personOf, serve } from './serve';
import { forgetToken, keepToken, tokenOf } from './session-cookie';

/** Whoever has the calendar's secret address reads it. */
const CALENDAR = '/calendar/:file';

/** What works before anybody is signed in. */
export function signInRoutes(context: ServerContext, demo?: Demo): Router {
  const router = Router();
  serve(router, api.health, async () => {
    await context.sequelize.authenticate();
    return { ready: true };
  });
  serve(router, api.signInSheet, () => signInSheet(context, demo));
  router.post(api.addFirstPerson.path, passcodeTries());
  serve(router, api.addFirstPerson, ({ body }) => addFirstPerson(context, body.name, body.passcode));
  router.post(api.importShop.path, passcodeTries());
  serve(router, api.importShop, ({ query, request }) => importShop(context, request, query.step));
  router.get(CALENDAR, passcodeTries(), async (request, response) => {
    const text = await calendarFile(
      context,
      /^[\w-]{43}(?=\.ics$)/.exec(String(request.params.file))?.[0] ?? '',
    );
    response.type('text/calendar; charset=utf-8').send(text);
  });
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
