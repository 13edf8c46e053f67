import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CACHE, ROOT, WEB_BUILD } from './paths.mjs';
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
  const sources = fingerprint();
  const fresh =
    existsSync(STAMP) && existsSync(join(WEB_BUILD, 'index.html')) && readFileSync(STAMP, 'utf8') === sources;
  if (fresh) return;
  // A build that is killed leaves no stamp: what it left is never taken for whole.
  rmSync(STAMP, { force: true });
  await step('Building the screens', () =>
    run('npx', ['ng', 'build', 'web'], { env: { NG_CLI_ANALYTICS: 'false' } }),
  );
  // Asked for only here: before the packages are installed there is nothing to bundle with.
  const { buildServiceWorker } = await import('./service-worker.mjs');
  await buildServiceWorker();
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(STAMP, sources);
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap((path) => filesBelow(join(ROOT, path))).sort()) {
    hash.update(file).update('\0').update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** @param {string} path @returns {string[]} */
function filesBelow(path) {
  if (!existsSync(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
      entry.name === 'node_modules' || entry.name.endsWith('.spec.ts')
        ? []
        : filesBelow(join(path, entry.name)),
    );
  } catch {
    return [path];
  }
}
