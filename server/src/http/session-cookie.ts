import type { CookieOptions, Request, RequestHandler, Response } from 'express';
import type { ServerContext } from '../context';
import { personOfToken } from '../people/sessions';

const NAME = 'yard_spool_session';
const OPTIONS: CookieOptions = { httpOnly: true, sameSite: 'strict', path: '/' };

export const tokenOf = (request: Request): string =>
  (request.cookies as Record<string, string | undefined>)[NAME] ?? '';

export const keepToken = (response: Response, token: string, expires: Date): void => {
  response.cookie(NAME, token, { ...OPTIONS, expires });
};

export const forgetToken = (response: Response): void => {
  response.clearCookie(NAME, OPTIONS);
};

/** Finds out who asks, where somebody is signed in. */
export const knowPerson =
  (context: ServerContext): RequestHandler =>
  async (request, response, next) => {
    const token = tokenOf(request);
    if (token) response.locals.person = await personOfToken(context, token);
    next();
  };
