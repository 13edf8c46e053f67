import cookieParser from 'cookie-parser';
import express, { type Express, type RequestHandler } from 'express';
import type { Network } from '@yard-spool/contract';
import { readBody } from './http/bodies';
import { knownHosts } from './http/known-hosts';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { ServerContext } from './context/context';
import type { BenchCounters } from './devices/bench-counters';
import { certificatePages } from './http/certificate-pages';
import { apiRoutes } from './http/api-routes';
import { tellProblems } from './http/errors';
import { packed } from './http/packed';
import { screens } from './http/screens';
import { sameOriginOnly, securityHeaders, withNonce } from './http/security';
import { knowPerson } from './http/session-cookie';
import { signInRoutes, type FirstSteps } from './http/routes/sign-in';

export interface AppParts extends FirstSteps {
  readonly context: ServerContext;
  readonly counters: BenchCounters;
  readonly log: Logger;
  readonly webFolder?: string | undefined;
  /** Names the server is asked for by, beside those of its own machine. */
  readonly names?: readonly string[];
  /** How other devices come in, over HTTPS; null where it answers this machine alone. */
  readonly network?: Network;
  /** The certificate of the shop's own authority; null where it has none. */
  readonly authority?: string | null;
}

/** The whole HTTP side, in the order a request passes it. */
export function createApp(parts: AppParts): Express {
  const { context, counters, log, webFolder, names, network = null, authority = null } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.locals.secure = network !== null;
  app.use(withNonce, securityHeaders(network !== null), knownHosts(names), sameOriginOnly, packed);
  app.use('/api', quietLog(log), neverKept, cookieParser(), knowPerson(context), readBody);
  app.use('/api', signInRoutes(context, parts), apiRoutes(context, counters, network));
  app.use(certificatePages(authority));
  if (webFolder !== undefined) app.use(screens(webFolder));
  app.use(tellProblems(log));
  return app;
}

const neverKept: RequestHandler = (_request, response, next) => {
  response.set('cache-control', 'no-store');
  next();
};

/** Logs method, path and time of each request; no names, no passcodes, no bodies. */
const quietLog = (logger: Logger) =>
  pinoHttp({
    logger,
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, url: quiet(url) }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
    customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
  });

/** An address as it is logged: without what was asked for, and without the calendar's secret. */
const quiet = (url: string): string => (url.split('?')[0] ?? '').replace(/(?<=\/calendar\/).*/, '…');
