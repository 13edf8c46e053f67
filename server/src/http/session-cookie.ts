import type { CookieOptions, Request, RequestHandler, Response } from 'express';
import type { ServerContext } from '../context/context';
import { whoAsks } from '../people/sessions';

const NAME = 'yard_spool_session';
const OPTIONS: CookieOptions = { httpOnly: true, sameSite: 'strict', path: '/' };
/** Over HTTPS: never sent in the clear, and set by no other host of the same domain. */
const SECURE_NAME = `__Host-${NAME}`;

type Asked = Pick<Request, 'app' | 'socket'>;

const isSecure = ({ app }: Pick<Request, 'app'>): boolean => app.locals.secure === true;
/** Browsers keep one set of cookies for all ports of a host: two shops on one machine have a name each. */
const nameFor = (of: Asked): string =>
  `${isSecure(of) ? SECURE_NAME : NAME}_${String(of.socket.localPort ?? 0)}`;
const optionsFor = (of: Pick<Request, 'app'>): CookieOptions => ({ ...OPTIONS, secure: isSecure(of) });

/** The session's token as it was sent; empty for what is none. */
export function tokenOf(request: Request): string {
  const token = (request.cookies as Record<string, unknown>)[nameFor(request)];
  return typeof token === 'string' ? token : '';
}

export const keepToken = (response: Response, token: string, expires: Date): void => {
  response.cookie(nameFor(response.req), token, { ...optionsFor(response), expires });
};

export const forgetToken = (response: Response): void => {
  response.clearCookie(nameFor(response.req), optionsFor(response));
};

/** Finds out who asks, where somebody is signed in. */
export const knowPerson =
  (context: ServerContext): RequestHandler =>
  async (request, response, next) => {
    const token = tokenOf(request);
    const asks = token ? await whoAsks(context, token) : null;
    if (asks) Object.assign(response.locals, asks);
    next();
  };
