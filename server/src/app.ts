import cookieParser from 'cookie-parser';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { ServerContext } from './context';
import type { BenchCounters } from './devices/bench-counters';
import { apiRoutes } from './http/api-routes';
import { tellProblems } from './http/errors';
import { screens } from './http/screens';
import { sameOriginOnly, securityHeaders, withNonce } from './http/security';
import { knowPerson } from './http/session-cookie';
import { signInRoutes } from './http/sign-in-routes';
import type { DemoPasscodes } from './people/people';

export interface AppParts {
  readonly context: ServerContext;
  readonly counters: BenchCounters;
  readonly log: Logger;
  readonly webFolder?: string | undefined;
  readonly demo?: DemoPasscodes | undefined;
}

/** The whole HTTP side, in the order a request passes it. */
export function createApp({ context, counters, log, webFolder, demo }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(withNonce, securityHeaders, sameOriginOnly);
  app.use('/api', quietLog(log), express.json({ limit: '12mb' }), cookieParser(), knowPerson(context));
  app.use('/api', (_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  app.use('/api', signInRoutes(context, demo), apiRoutes(context, counters));
  if (webFolder !== undefined) app.use(screens(webFolder));
  app.use(tellProblems(log));
  return app;
}

/** Logs method, path and time of each request; no names, no passcodes, no bodies. */
const quietLog = (logger: Logger) =>
  pinoHttp({
    logger,
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, url: url.split('?')[0] }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
    customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
  });
