import { randomBytes } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import helmet from 'helmet';
import { ProblemError } from '../problem-error';

/** A fresh nonce for each page, for the styles the screens put in themselves. */
export const withNonce: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64');
  next();
};

/** A year. */
const HSTS_SECONDS = 31_536_000;

/** Strict headers. Over HTTPS the browser comes back by HTTPS alone; on loopback the server speaks plain HTTP. */
export const securityHeaders = (secure: boolean): RequestHandler =>
  helmet({
    strictTransportSecurity: secure ? { maxAge: HSTS_SECONDS, includeSubDomains: false } : false,
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

/** Refuses to tell another site's page what is told live, though it changes nothing. */
export function ownPageOnly({ headers: { origin, host } }: Request): void {
  if (origin !== undefined && hostOf(origin) !== host)
    throw new ProblemError('not-allowed', 'This is told to the shop’s own pages alone.');
}

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);
