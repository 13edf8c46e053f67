import { readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import express, { Router, type RequestHandler } from 'express';

/** Serves the built screens: hashed files for good, the page itself with its nonce and never from a cache. */
export function screens(folder: string): Router {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const router = Router();
  // The worker that keeps the screens in the browser is the one file that changes under its name.
  router.get('/service-worker.js', (_request, response) => {
    response.sendFile(join(folder, 'service-worker.js'), {
      cacheControl: false,
      headers: { 'cache-control': 'no-cache' },
    });
  });
  router.use(express.static(folder, { index: false, immutable: true, maxAge: '365d' }));
  const sendPage: RequestHandler = (request, response, next) => {
    if (extname(request.path) !== '') {
      next();
      return;
    }
    const nonce = String(response.locals.nonce);
    response
      .set('cache-control', 'no-store')
      .type('html')
      .send(page.replace('<app-root', `<app-root ngCspNonce="${nonce}"`));
  };
  router.get('/{*path}', sendPage);
  return router;
}
