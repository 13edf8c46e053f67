import { randomBytes } from 'node:crypto';
import type { RequestHandler } from 'express';
import helmet from 'helmet';
import { ProblemError } from '../problem-error';

/** A fresh nonce for each page, for the styles the screens put in themselves. */
export const withNonce: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64');
  next();
};

/** Strict headers. No HSTS: the server speaks plain HTTP on loopback. */
export const securityHeaders: RequestHandler = helmet({
  strictTransportSecurity: false,
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      scriptSrcAttr: ["'none'"],
      workerSrc: ["'self'"],
      connectSrc: ["'self'"],
      imgSrc: ["'self'", 'data:'],
      fontSrc: ["'self'"],
      styleSrc: [
        "'self'",
        (_request, response) =>
          `'nonce-${(response as unknown as { locals: { nonce: string } }).locals.nonce}'`,
      ],
      baseUri: ["'self'"],
      objectSrc: ["'none'"],
      frameAncestors: ["'none'"],
      formAction: ["'self'"],
    },
  },
});

/** Refuses a change asked for by another site's page. A client that is no browser sends no origin. */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const reading = request.method === 'GET' || request.method === 'HEAD';
  if (!reading && origin !== undefined && hostOf(origin) !== host) {
    next(new ProblemError('not-allowed', 'This came from another site and was not done.'));
    return;
  }
  next();
};

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);
