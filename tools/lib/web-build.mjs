import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fingerprintOf } from './fingerprint.mjs';
import { CACHE, WEB_BUILD } from './paths.mjs';
import { step } from './progress.mjs';
import { run } from './run.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'web',
  'angular.json',
  'package-lock.json',
  'tsconfig.base.json',
];
const STAMP = join(CACHE, 'web-build.stamp');

/** Builds the screens, unless the last build was of just these sources. */
export async function ensureWebBuild() {
  const sources = fingerprintOf(SOURCES);
  const fresh =
    existsSync(STAMP) && existsSync(join(WEB_BUILD, 'index.html')) && readFileSync(STAMP, 'utf8') === sources;
  if (fresh) return;
  // A build that is killed leaves no stamp: what it left is never taken for whole.
  rmSync(STAMP, { force: true });
  await step(
    'Building the screens',
    () => run('npx', ['ng', 'build', 'web'], { env: { NG_CLI_ANALYTICS: 'false' } }),
    'once after each change, one to two minutes',
  );
  // Asked for only here: before the packages are installed there is nothing to bundle with.
  const { buildServiceWorker } = await import('./service-worker.mjs');
  await buildServiceWorker();
  const { precompress } = await import('./precompress.mjs');
  await precompress(WEB_BUILD);
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(STAMP, sources);
}
