import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build, stop } from 'esbuild';
import { ROOT, WEB_BUILD } from './paths.mjs';

/** What the screens are made of; the page itself is kept as it was last seen, with the headers it came with. */
const PARTS = /\.(js|css|woff2|svg|png|ico|webmanifest)$/;
const NAME = 'service-worker.js';

/** Bundles the worker that keeps the screens in the browser, with a list of what there is to keep. */
export async function buildServiceWorker() {
  const parts = readdirSync(WEB_BUILD, { recursive: true, encoding: 'utf8' })
    .filter((file) => PARTS.test(file) && file !== NAME)
    .sort()
    .map((file) => ({
      url: `/${file.replaceAll('\\', '/')}`,
      revision: createHash('sha256')
        .update(readFileSync(join(WEB_BUILD, file)))
        .digest('hex')
        .slice(0, 16),
    }));
  await build({
    entryPoints: [join(ROOT, 'web', 'sw', 'service-worker.ts')],
    outfile: join(WEB_BUILD, NAME),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'silent',
    define: { 'self.__WB_MANIFEST': JSON.stringify(parts), 'process.env.NODE_ENV': '"production"' },
  });
  // What bundles runs beside this program until it is told to end.
  await stop();
}
