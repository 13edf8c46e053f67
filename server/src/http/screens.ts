import { readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { Router, type RequestHandler } from 'express';
import packedStatic from 'express-static-gzip';

/** Names that change with what is in them. */
const HASHED = /-[A-Z0-9]{8}\.\w+(?:\.br|\.gz)?$/;

/** Serves the built screens: hashed files for good, the page itself with its nonce and never from a cache. */
export function screens(folder: string): Router {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const router = Router();
  const sendPage: RequestHandler = (request, response, next) => {
    if (extname(request.path) !== '' && request.path !== '/index.html') {
      next();
      return;
    }
    const nonce = String(response.locals.nonce);
    response
      .set('cache-control', 'no-store')
      .type('html')
      .send(page.replace('<app-root', `<app-root ngCspNonce="${nonce}"`));
  };
  // By its file's name too: it carries the nonce, and is never kept.
  router.get('/index.html', sendPage);
  // The worker that keeps the screens in the browser is the one file that changes under its name.
  router.get('/service-worker.js', (_request, response) => {
    response.sendFile(join(folder, 'service-worker.js'), {
      cacheControl: false,
      headers: { 'cache-control': 'no-cache' },
    });
  });
  router.use(
    packedStatic(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        cacheControl: false,
        setHeaders: (response, path) => {
          const kept = HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache';
          response.setHeader('cache-control', kept);
        },
      },
    }),
  );
  router.get('/{*path}', sendPage);
  return router;
}
