import express, { type Express, type RequestHandler } from 'express';
import type { Logger } from 'pino';
import { ProblemError } from '../problem-error';
import { certificatePages } from './certificate-pages';
import { tellProblems } from './errors';
import { knownHosts } from './known-hosts';
import { securityHeaders, withNonce } from './security';

interface PlainParts {
  readonly names: readonly string[];
  /** Of the shop's own authority; null where there is none. */
  readonly authority: string | null;
  readonly log: Logger;
}

/** What the shop's port says in plain HTTP: where the certificate is, and that everything else is at https. */
export function createPlainApp({ names, authority, log }: PlainParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(withNonce, securityHeaders(false), knownHosts(names));
  app.use(certificatePages(authority));
  app.use(toHttps);
  app.use(tellProblems(log));
  return app;
}

/** Nothing is done that was asked for in the clear. */
const toHttps: RequestHandler = ({ method, headers, originalUrl }, response, next) => {
  if (method === 'GET' || method === 'HEAD')
    response.redirect(307, `https://${headers.host ?? ''}${originalUrl}`);
  else next(new ProblemError('not-allowed', 'This is asked by https alone. Nothing was done.'));
};
