import { api, FIRST_WORDS_HEADER, type Demo, type Person } from '@yard-spool/contract';
import { Router, type Request, type RequestHandler } from 'express';
import { calendarFile } from '../../calendar/calendar';
import type { ServerContext } from '../../context/context';
import { isThisMachine, type FirstWords } from '../../people/first-words';
import { countries } from '../../shop/countries';
import { addFirstPerson } from '../../people/first-person';
import { signInSheet } from '../../people/people';
import { signIn, signOut } from '../../people/sessions';
import { importShop } from '../../shop-file/shop-file-over-http';
import { placeOf } from '../place';
import { passcodeTries, signInTries } from '../tries';
import { personOf, serve } from '../serve';
import { forgetToken, keepToken, tokenOf } from '../session-cookie';

/** Whoever has the calendar's secret address reads it. */
const CALENDAR = '/calendar/:file';

/** What the sign-in screen is told, and asks, before anybody is there. */
export interface FirstSteps {
  readonly demo?: Demo | undefined;
  /** What another device has to know before it makes the first person; null where only this machine is answered. */
  readonly firstWords?: FirstWords | null | undefined;
  /** Whether a request comes from the server's own machine. */
  readonly isHere?: ((request: Request) => boolean) | undefined;
}

/** What works before anybody is signed in. */
export function signInRoutes(
  context: ServerContext,
  { demo, firstWords = null, isHere = ({ socket }) => isThisMachine(socket) }: FirstSteps,
): Router {
  const router = Router();
  serve(router, api.health, async () => {
    await context.sequelize.authenticate();
    return { ready: true };
  });
  serve(router, api.signInSheet, ({ request }) =>
    signInSheet(context, { demo, needsWords: firstWords !== null && !isHere(request) }),
  );
  serve(router, api.listCountries, () => Promise.resolve([...countries()]));
  const knowsWords: RequestHandler = (request, _response, next) => {
    if (firstWords && !isHere(request)) firstWords.check(wordsIn(request));
    next();
  };
  router.post(api.addFirstPerson.path, passcodeTries(), knowsWords);
  serve(router, api.addFirstPerson, ({ body }) => addFirstPerson(context, body));
  router.post(api.importShop.path, passcodeTries(), knowsWords);
  serve(router, api.importShop, ({ query, request }) => importShop(context, request, query.step));
  router.get(CALENDAR, passcodeTries(), async (request, response) => {
    const text = await calendarFile(
      context,
      /^[\w-]{43}(?=\.ics$)/.exec(String(request.params.file))?.[0] ?? '',
    );
    response.type('text/calendar; charset=utf-8').send(text);
  });
  router.post(api.signIn.path, ...signInTries(context));
  serve(router, api.signIn, async ({ body, request, response }) => {
    const { person, token, expiresAt } = await signIn(context, body, placeOf(request));
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

function wordsIn(request: Request): string {
  const sent = request.get(FIRST_WORDS_HEADER) ?? '';
  try {
    return decodeURIComponent(sent);
  } catch {
    return sent;
  }
}
